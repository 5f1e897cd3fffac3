"use client";

import { Flex } from "@chakra-ui/react";
import type { RoadLine } from "@/data/round/roads";
import { Problem, QuietButton } from "@/kit/controls";
import { useAsk } from "@/kit/useAsk";
import { duration } from "@/kit/words";
import { decideRoadAction } from "./actions";

/** What can be decided about a way. */
export function RoadButtons({ road: r }: { road: RoadLine }) {
  const { ask, problem, disabled } = useAsk();
  const decide = (what: "set-aside" | "use" | "as-driven" | "as-estimated") =>
    ask(decideRoadAction({ roadId: r.id, what }));
  const button = (what: Parameters<typeof decide>[0], text: string) => (
    <QuietButton type="button" py="4px" disabled={disabled} onClick={() => decide(what)}>
      {text}
    </QuietButton>
  );
  return (
    <Flex gap="8px" wrap="wrap">
      {r.askedMinutes !== null && button("as-driven", `Use ${duration(r.askedMinutes)}`)}
      {r.askedMinutes !== null && button("as-estimated", "Leave it as it is")}
      {r.askedMinutes === null && r.listedMinutes !== null && button("as-estimated", "Take off the list")}
      {r.askedMinutes === null &&
        r.listedMinutes === null &&
        r.learntMinutes !== null &&
        (r.setAside ? button("use", "Use what was learnt") : button("set-aside", "Put aside"))}
      <Problem says={problem} />
    </Flex>
  );
}
