import { Box, Flex } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { Choice, QuietButton } from "./controls";
import { Form } from "./elements";

/** Picks the tank that a page works with: a plain form, so that it can be kept and sent as an address. */
export function TankPicker({
  action,
  tanks,
  chosen,
  go = "Work it out",
  children,
}: {
  action: string;
  tanks: readonly { readonly id: string; readonly name: string; readonly siteName: string }[];
  chosen: string;
  /** What the press says. */
  go?: string;
  children?: ReactNode;
}) {
  return (
    <Form action={action} mt="12px" mb="18px">
      <Flex gap="10px" wrap="wrap" align="center">
        <Box w="360px" maxW="100%">
          <Choice name="tank" aria-label="Tank" defaultValue={chosen}>
            {tanks.map((t) => (
              <option key={t.id} value={t.id}>
                {t.name}, {t.siteName}
              </option>
            ))}
          </Choice>
        </Box>
        <QuietButton type="submit">{go}</QuietButton>
        {children}
      </Flex>
    </Form>
  );
}
