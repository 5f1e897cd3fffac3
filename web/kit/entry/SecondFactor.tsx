import { Box, Flex } from "@chakra-ui/react";
import { SubHead } from "@/kit/controls";
import { AppFactor } from "./AppFactor";
import { type PasskeyLine, Passkeys } from "./Passkeys";

/** What lets somebody in beside their password: an authenticator app and passkeys. */
export function SecondFactor({
  factors,
  zone,
  device,
}: {
  factors: { readonly hasPassword: boolean; readonly app: boolean; readonly passkeys: readonly PasskeyLine[] };
  zone: string;
  /** What the device in hand is called, as the name of a passkey that it makes. */
  device: string;
}) {
  return (
    <Flex gap="26px 48px" wrap="wrap" align="flex-start">
      {factors.hasPassword && (
        <Box w="300px">
          <SubHead>Authenticator app</SubHead>
          <Box pt="10px">
            <AppFactor on={factors.app} />
          </Box>
        </Box>
      )}
      <Box w="300px">
        <SubHead>Passkeys</SubHead>
        <Box pt="4px">
          <Passkeys passkeys={factors.passkeys} zone={zone} device={device} />
        </Box>
      </Box>
    </Flex>
  );
}
