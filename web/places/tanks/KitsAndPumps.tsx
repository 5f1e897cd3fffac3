import { Box, Flex } from "@chakra-ui/react";
import { kitSentences } from "@keel-round/core/kits";
import { sayAll } from "@keel-round/core/say";
import { counted } from "@keel-round/core/text";
import type { UnitPreference } from "@keel-round/core/units";
import type { KitsAhead } from "@/data/tanks/kitsAhead";
import { AppLink } from "@/kit/AppLink";
import { SubHead } from "@/kit/controls";
import { A } from "@/kit/elements";

/** Kits and instruments that are past their time, and containers that run out. */
export function KitsAndPumps({ of: { kits, pumps }, units }: { of: KitsAhead; units: UnitPreference }) {
  if (kits.length + pumps.length === 0) return null;
  return (
    <Box mt="30px" maxW="860px">
      <SubHead>Kits, instruments and dosing pumps</SubHead>
      {kits.map((k) => (
        <Line key={k.kit.id} href={`/desk/kit/${k.kit.id}`} name={k.kit.name} says={sayAll(kitSentences(k), units)} />
      ))}
      {pumps.map((p) => (
        <Line
          key={p.pumpId}
          href={`/desk/doser/${p.pumpId}`}
          name={`${p.pump}, ${p.tank}`}
          says={
            p.days > 0
              ? `${p.product} lasts ${counted(p.days, "day")} more by the last count.`
              : `${p.product} is used up by the last count: fill it, and write down how much went in.`
          }
        />
      ))}
    </Box>
  );
}

function Line({ href, name, says }: { href: string; name: string; says: string }) {
  return (
    <Flex
      py="9px"
      gap="4px 14px"
      wrap="wrap"
      borderBottomWidth="1px"
      borderColor="rule"
      fontSize="14.5px"
      data-kit={name}
    >
      <Box w="240px">
        <A asChild fontWeight="620" textDecoration="none" _hover={{ textDecoration: "underline" }}>
          <AppLink href={href}>{name}</AppLink>
        </A>
      </Box>
      <Box flex="1" minW="240px">
        {says}
      </Box>
    </Flex>
  );
}
