import { Box, Flex } from "@chakra-ui/react";
import type { BenchData } from "@/data/bench";
import type { Scope } from "@/data/scope";
import { AppLink } from "@/kit/AppLink";
import { Choice, PageHead, QuietButton } from "@/kit/controls";
import { A, Form } from "@/kit/elements";
import { dayLabel } from "@/kit/words";
import { Bench } from "./Bench";
import { WaterNav } from "./WaterNav";

/** The bench: a tank is picked, and its next change worked out in every way. */
export function BenchPage({ scope, data }: { scope: Scope; data: BenchData }) {
  const { tanks, chosen } = data;
  return (
    <Box>
      <WaterNav here="/water" />
      <PageHead
        title="The bench"
        facts={chosen ? `${chosen.name}, ${chosen.siteName}: for the visit of ${dayLabel(chosen.input.on)}` : null}
        actions={
          chosen && (
            <A asChild color="coralline" fontSize="14.5px">
              <AppLink href={`/tanks/${chosen.id}`}>Its sheet</AppLink>
            </A>
          )
        }
      />
      <Form action="/water" mt="12px" mb="18px">
        <Flex gap="10px" wrap="wrap" align="center">
          <Box w="360px" maxW="100%">
            <Choice name="tank" aria-label="Tank" defaultValue={chosen?.id ?? ""}>
              {tanks.map((t) => (
                <option key={t.id} value={t.id}>
                  {t.name}, {t.siteName}
                </option>
              ))}
            </Choice>
          </Box>
          <QuietButton type="submit">Work it out</QuietButton>
        </Flex>
      </Form>
      {chosen ? (
        <Bench key={chosen.id} input={chosen.input} sources={chosen.sources} units={scope.units} />
      ) : (
        <Box color="soft" py="20px">
          No tank yet.{" "}
          <A asChild color="coralline">
            <AppLink href="/tanks/new">Begin with one</AppLink>
          </A>
          ; its water is worked out here.
        </Box>
      )}
    </Box>
  );
}
