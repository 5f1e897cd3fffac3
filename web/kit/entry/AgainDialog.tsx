"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { AGAIN_EVENT } from "@/kit/answered";
import { QuietButton } from "@/kit/controls";
import { Dialog, H2 } from "@/kit/elements";
import { SignInAgain } from "./SignInAgain";

/** Comes up on any page where the server asked who sits there: what was typed stays behind it. */
export function AgainDialog() {
  const router = useRouter();
  const sheet = useRef<HTMLDialogElement>(null);
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const ask = () => setOpen(true);
    window.addEventListener(AGAIN_EVENT, ask);
    return () => window.removeEventListener(AGAIN_EVENT, ask);
  }, []);
  useEffect(() => {
    if (open) sheet.current?.showModal();
    else sheet.current?.close();
  }, [open]);
  return (
    <Dialog
      ref={sheet}
      aria-label="Sign in once more"
      onClose={() => setOpen(false)}
      m="auto"
      p="20px"
      w="min(360px, calc(100vw - 32px))"
      bg="sheet"
      color="ink"
      borderWidth="1px"
      borderColor="ruleStrong"
      rounded="s"
    >
      {open && (
        <>
          <H2 fontSize="19px" fontWeight="640" mb="6px">
            Sign in once more
          </H2>
          <Box color="soft" fontSize="14.5px" mb="12px">
            It is a while since you did. What you typed stays; press its button again afterwards.
          </Box>
          <SignInAgain
            onDone={() => {
              setOpen(false);
              router.refresh();
            }}
          />
          <QuietButton type="button" w="100%" mt="10px" onClick={() => setOpen(false)}>
            Not now
          </QuietButton>
        </>
      )}
    </Dialog>
  );
}
