import { Box } from "@chakra-ui/react";
import type { Entity } from "@keel-round/core/desk";
import type { ReactNode } from "react";
import { QuietButton } from "@/kit/controls";
import { Details, Form, Summary } from "@/kit/elements";
import type { ListAddress } from "./columns";

/**
 * A panel over a list that asks for some of its view: a plain form, so that a view can be kept and sent as an address.
 *
 * @param asks Whether the panel itself asks for this part of the address; every other part is kept.
 */
export function AskPanel({
  entity,
  address,
  title,
  go,
  asks,
  children,
}: {
  entity: Entity;
  address: ListAddress;
  title: string;
  /** What its button says. */
  go: string;
  asks: (part: string) => boolean;
  children: ReactNode;
}) {
  const kept = Object.entries(address).filter(([part]) => part !== "page" && !asks(part));
  return (
    <Details position="relative" fontSize="14px">
      <Summary borderWidth="1px" borderColor="ruleStrong" rounded="s" px="14px" py="8px" bg="sheet">
        {title}
      </Summary>
      <Form
        action={`/desk/${entity}`}
        position="absolute"
        zIndex="6"
        bg="sheet"
        borderWidth="1px"
        borderColor="ruleStrong"
        rounded="s"
        p="12px"
        mt="4px"
        w="360px"
        maxW="88vw"
        maxH="420px"
        overflowY="auto"
      >
        {kept.flatMap(([part, value]) =>
          [value ?? []].flat().map((one) => <input key={`${part} ${one}`} type="hidden" name={part} value={one} />),
        )}
        {children}
        <Box position="sticky" bottom="-12px" bg="sheet" pt="8px" pb="12px" borderTopWidth="1px" borderColor="rule">
          <QuietButton type="submit">{go}</QuietButton>
        </Box>
      </Form>
    </Details>
  );
}
