"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { signOut } from "@/device/account";
import { signInByPasskey } from "@/device/entry";
import { GoButton, Problem, QuietButton } from "@/kit/controls";
import { useEntry } from "@/kit/entry/useEntry";
import { EntryFrame } from "./EntryFrame";

/** The firm asks for a second factor: one that is there is used, otherwise one is set up here. */
export function AskedForFactor({
  firm,
  has,
  children,
}: {
  firm: string;
  has: "app" | "passkey" | null;
  children: ReactNode;
}) {
  const { ask, problem, disabled } = useEntry();
  return (
    <EntryFrame title="One more step" wide>
      <Box maxW="560px">
        {firm} asks everybody who works there for a second factor.{" "}
        {has === "passkey" && "You have a passkey: use it now, and whenever you sign in."}
        {has === "app" && "You have an authenticator app: sign out, and sign in with its code."}
        {has === null && "Set up an authenticator app or a passkey. Visits on this phone are kept meanwhile."}
      </Box>
      <Problem says={problem} />
      <Flex gap="10px" mt="14px" wrap="wrap">
        {has === "passkey" && (
          <GoButton type="button" disabled={disabled} onClick={() => void ask(signInByPasskey)}>
            Use a passkey
          </GoButton>
        )}
        <QuietButton type="button" onClick={() => void signOut()}>
          Sign out
        </QuietButton>
      </Flex>
      {has === null && children}
    </EntryFrame>
  );
}
