import { Box } from "@chakra-ui/react";
import { AppLink } from "@/kit/AppLink";
import { PageTitle } from "@/kit/controls";
import { A, H1 } from "@/kit/elements";

export default function NotFound() {
  return (
    <Box maxW="60ch">
      <PageTitle>There is nothing here</PageTitle>
      <H1 fontSize="25px" fontWeight="640">
        There is nothing here
      </H1>
      <Box mt="8px" color="soft">
        The address is wrong, or what was here belongs to somebody else.{" "}
        <A asChild color="coralline">
          <AppLink href="/">Back to the day</AppLink>
        </A>
      </Box>
    </Box>
  );
}
