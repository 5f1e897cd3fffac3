"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { SignInAgain } from "./SignInAgain";

/** In place of what is shown only to who signed in lately: why, and the way to it. */
export function SignInFirst({ what }: { what: string }) {
  const router = useRouter();
  return (
    <Box pt="14px" data-again="">
      <Box maxW="460px" mb="14px">
        {what} It is a while since you signed in: show once more that it is you.
      </Box>
      <SignInAgain onDone={() => router.refresh()} />
    </Box>
  );
}
