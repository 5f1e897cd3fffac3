"use client";

import { Box, Flex } from "@chakra-ui/react";
import { addPasskey, hasPasskeys, takeOffPasskey } from "@/device/entry";
import { Problem, QuietButton } from "@/kit/controls";
import { B, Span } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { moment } from "@/kit/words";
import { useEntry } from "./useEntry";

/** A passkey as its owner sees it. */
export interface PasskeyLine {
  readonly id: string;
  readonly name: string;
  readonly since: Date | null;
}

/** Keys that a device or a password safe holds: each signs in without a password. */
export function Passkeys({
  passkeys,
  zone,
  device,
}: {
  passkeys: readonly PasskeyLine[];
  zone: string;
  device: string;
}) {
  const hydrated = useHydrated();
  const { ask, problem, disabled } = useEntry();
  return (
    <Box>
      {passkeys.map(({ id, name, since }) => (
        <Flex key={id} gap="6px 12px" py="7px" borderBottomWidth="1px" borderColor="rule" align="baseline" wrap="wrap">
          <B fontWeight="620">{name}</B>
          {since && <Span color="soft">since {moment(since, zone)}</Span>}
          <Box flex="1" />
          <QuietButton
            type="button"
            py="5px"
            fontSize="13.5px"
            disabled={disabled}
            aria-label={`Take off ${name}`}
            onClick={() => void ask(() => takeOffPasskey(id))}
          >
            Take off
          </QuietButton>
        </Flex>
      ))}
      <Box fontSize="14px" color="soft" p="8px 0">
        {hydrated && !hasPasskeys()
          ? "This browser has no passkeys."
          : "A passkey signs you in with this device's own lock: finger, face or code. It counts as both factors."}
      </Box>
      <QuietButton
        type="button"
        disabled={disabled || !hasPasskeys()}
        onClick={() => void ask(() => addPasskey(device))}
      >
        Add a passkey
      </QuietButton>
      <Problem says={problem} />
    </Box>
  );
}
