"use client";

import { Box } from "@chakra-ui/react";
import { PageTitle, QuietButton } from "@/kit/controls";
import { H1 } from "@/kit/elements";

export default function Failed({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <Box maxW="60ch" role="alert">
      <PageTitle>This page could not be made</PageTitle>
      <H1 fontSize="25px" fontWeight="640">
        This page could not be made
      </H1>
      <Box mt="8px" color="soft">
        Nothing you typed elsewhere is lost. Try again; if it stays, tell the office the number{" "}
        {error.digest ?? "of the time it happened"}.
      </Box>
      <QuietButton type="button" onClick={reset} mt="12px">
        Try again
      </QuietButton>
    </Box>
  );
}
