"use client";

import { Box, Flex } from "@chakra-ui/react";
import { missingIn } from "@keel-round/core/visit";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Notice } from "@/kit/controls";
import { Button, Span } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { vanKitAction } from "./actions";

/** What a visit needs, told apart by whether the van carries it anyway; a press moves a thing from one to the other. */
export function KitList({
  kit,
  van,
  personId,
  who,
}: {
  kit: readonly string[];
  van: readonly string[];
  personId: string;
  who: string;
}) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [error, setError] = useState<string | null>(null);
  const missing = missingIn(kit, van);
  const carried = kit.filter((k) => !missing.includes(k));
  const set = async (item: string, carries: boolean) => {
    const answer = await answered(vanKitAction({ personId, item, carries }));
    if (!answer.ok) return setError(answer.message);
    setError(null);
    router.refresh();
  };
  const line = (item: string, carries: boolean) => (
    <Flex key={item} gap="8px" align="baseline" breakInside="avoid" py="1px">
      <Span flex="1">{item}</Span>
      <Button
        type="button"
        bg="transparent"
        color="coralline"
        fontSize="12.5px"
        cursor="pointer"
        disabled={!hydrated}
        aria-label={carries ? `${item}: not in the van` : `${item}: always in the van`}
        onClick={() => set(item, !carries)}
      >
        {carries ? "not in the van" : "in the van"}
      </Button>
    </Flex>
  );
  return (
    <Box data-kit="">
      <Box fontWeight="620" fontSize="14px" mt="8px" color={missing.length > 0 ? "ochre" : "ink"}>
        {missing.length > 0 ? `To load, not in ${who}'s van: ${missing.length}` : `All of it is in ${who}'s van.`}
      </Box>
      <Box py="4px" columns={{ base: 1, md: 2 }} fontSize="14px">
        {missing.map((k) => line(k, false))}
      </Box>
      {carried.length > 0 && (
        <Box fontWeight="620" fontSize="14px" mt="6px" color="soft">
          In the van
        </Box>
      )}
      <Box py="4px" columns={{ base: 1, md: 2 }} fontSize="14px" color="soft">
        {carried.map((k) => line(k, true))}
      </Box>
      {error && (
        <Box role="alert">
          <Notice tone="danger">{error}</Notice>
        </Box>
      )}
    </Box>
  );
}
