"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { SaidStep } from "@keel-round/core/steps";
import { gearName, type SwitchGear } from "@keel-round/core/tank";
import type { LiveVisit } from "@/device/useVisit";
import { QuietButton } from "@/kit/controls";
import { Select } from "@/kit/elements";
import { SETTLED, type Turn } from "./phaseModel";

/** What each turn of a switch is called, and what leaves it out. */
const WORDS = {
  on: { all: "on", press: "On", is: "is on", leave: "Leave off…", left: "off" },
  off: { all: "off", press: "Off", is: "is off", leave: "Leave on…", left: "on" },
} as const;

const REASONS = {
  on: ["defective", "part is missing", "owner asked", "until the next visit"],
  off: ["it stays under water", "its own plug is out of reach", "owner asked", "not needed today"],
} as const;

const leftAs = (turn: Turn) => (turn === "on" ? ("left-off" as const) : ("left-on" as const));

/** What a step switches: all of it at once or one by one, or left as it is with a reason. */
export function GearEntry({ visit, step, turn }: { visit: LiveVisit; step: SaidStep; turn: Turn }) {
  const gear = step.confirms?.[turn] ?? [];
  const still = gear.filter((g) => !SETTLED[turn].includes(visit.state.gear[g]?.state ?? ""));
  const all = async () => {
    for (const g of still) await visit.say({ type: "switch", gear: g, state: turn });
  };
  return (
    <Box mt="12px">
      {still.length > 1 && (
        <QuietButton type="button" minH="52px" w="100%" mb="6px" fontSize="17px" onClick={all}>
          All {still.length} {WORDS[turn].all}
        </QuietButton>
      )}
      {gear.map((g) => (
        <Switch key={g} visit={visit} gear={g} turn={turn} />
      ))}
    </Box>
  );
}

function Switch({ visit, gear, turn }: { visit: LiveVisit; gear: SwitchGear; turn: Turn }) {
  const now = visit.state.gear[gear];
  const done = now?.state === turn;
  const words = WORDS[turn];
  return (
    <Flex align="center" gap="8px" py="6px" borderBottomWidth="1px" borderColor="rule">
      <Box flex="1" fontSize="17px">
        {gearName(gear)}
        {now?.state === leftAs(turn) && (
          <Box fontSize="14px" color="ochre">
            {words.left}: {now.reason}
          </Box>
        )}
      </Box>
      <QuietButton
        type="button"
        minH="48px"
        minW="84px"
        aria-label={`${gearName(gear)}: ${done ? words.is : words.press}`}
        aria-pressed={done}
        {...(done ? { bg: "corallineWash", borderColor: "coralline" } : {})}
        onClick={() => visit.say({ type: "switch", gear, state: turn })}
      >
        {done ? words.is : words.press}
      </QuietButton>
      <LeaveGear visit={visit} gear={gear} turn={turn} />
    </Flex>
  );
}

/** Leaves a thing as it is, with the reason. */
export function LeaveGear({ visit, gear, turn }: { visit: LiveVisit; gear: SwitchGear; turn: Turn }) {
  return (
    <Select
      aria-label={`Leave ${gearName(gear)} ${WORDS[turn].left}`}
      value=""
      minH="48px"
      borderWidth="1px"
      borderColor="ruleStrong"
      bg="sheet"
      rounded="s"
      w="110px"
      onChange={(e) =>
        e.target.value && visit.say({ type: "switch", gear, state: leftAs(turn), reason: e.target.value })
      }
    >
      <option value="">{WORDS[turn].leave}</option>
      {REASONS[turn].map((r) => (
        <option key={r}>{r}</option>
      ))}
    </Select>
  );
}
