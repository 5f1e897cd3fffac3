import { Box } from "@chakra-ui/react";
import type { Scope } from "@/data/access/scope";
import { countGivenUp } from "@/data/background/jobs";
import { AppLink } from "@/kit/AppLink";
import { Notice } from "@/kit/controls";
import { A } from "@/kit/elements";
import { NotOn } from "@/kit/shell/NotOn";

/** Tells the office on every page that something could not be done. */
export async function StuckNote({ scope }: { scope: Scope }) {
  const n = await countGivenUp(scope);
  if (n === 0) return null;
  return (
    <NotOn path="/desk/stuck">
      <Box className="screen" mb="14px">
        <Notice tone="danger">
          {n === 1 ? "One piece of work is stuck. " : `${n} pieces of work are stuck. `}
          <A asChild textDecoration="underline">
            <AppLink href="/desk/stuck">See why</AppLink>
          </A>
        </Notice>
      </Box>
    </NotOn>
  );
}
