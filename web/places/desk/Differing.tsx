import { Box } from "@chakra-ui/react";
import { inSentence } from "@keel-round/core/text";
import { AppLink } from "@/kit/AppLink";
import { SubHead } from "@/kit/controls";
import { A, Span } from "@/kit/elements";

/** Jobs that the firm does not have as the library has them. */
export function Differing({
  jobs,
}: {
  jobs: readonly { readonly id: string; readonly name: string; readonly fields: readonly string[] | null }[];
}) {
  return (
    <Box mt="22px">
      <SubHead>Not as the library has it</SubHead>
      {jobs.map((j) => (
        <Box key={j.id} py="4px" fontSize="14.5px">
          <A asChild textDecoration="underline">
            <AppLink href={`/desk/job/${j.id}`}>{j.name}</AppLink>
          </A>{" "}
          <Span color="soft">
            {j.fields ? `differs in: ${j.fields.map(inSentence).join(", ")}` : "a job of your own"}
          </Span>
        </Box>
      ))}
    </Box>
  );
}
