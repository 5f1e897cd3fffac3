"use client";

import { Box, Flex } from "@chakra-ui/react";
import { LAST, type Nth, weekdayName } from "@keel-round/core/series";
import { Choice, FieldRow, QuietButton, TextInput } from "@/kit/controls";
import { chooseHowOften, type HowOften, pressWeekday, type TypedRhythm } from "./formModel";

const HOW_OFTEN: readonly (readonly [HowOften, string])[] = [
  ["weeks", "every week, or every few"],
  ["twice", "twice a week, evenly"],
  ["days", "every few days"],
  ["month-weekday", "a weekday of the month"],
  ["month-day", "a day of the month"],
];
const NTH: readonly (readonly [Nth, string])[] = [
  [1, "first"],
  [2, "second"],
  [3, "third"],
  [4, "fourth"],
  [LAST, "last"],
];
const WEEK = [1, 2, 3, 4, 5, 6, 7];

/** How often, and on which days. */
export function RhythmFields({
  typed,
  change,
  error,
  mayBeNever = false,
}: {
  typed: TypedRhythm;
  change: (typed: TypedRhythm) => void;
  error?: string | undefined;
  /** Whether "no visits" can be chosen. */
  mayBeNever?: boolean;
}) {
  const { howOften } = typed;
  return (
    <Box>
      <Flex gap="12px" wrap="wrap" align="flex-start">
        <Box w="230px">
          <FieldRow label={mayBeNever ? "Visits then" : "How often"}>
            <Choice value={howOften} onChange={(e) => change(chooseHowOften(typed, e.currentTarget.value as HowOften))}>
              {mayBeNever && <option value="never">no visits</option>}
              {HOW_OFTEN.map(([value, says]) => (
                <option key={value} value={value}>
                  {says}
                </option>
              ))}
            </Choice>
          </FieldRow>
        </Box>
        {(howOften === "weeks" || howOften === "days") && (
          <Box w="120px">
            <FieldRow label={howOften === "weeks" ? "Every … weeks" : "Every … days"}>
              <TextInput
                inputMode="numeric"
                value={typed.every}
                aria-invalid={error ? true : undefined}
                onChange={(e) => change({ ...typed, every: e.currentTarget.value })}
              />
            </FieldRow>
          </Box>
        )}
        {howOften === "month-weekday" && (
          <Box w="120px">
            <FieldRow label="Which">
              <Choice
                value={typed.nth}
                onChange={(e) => change({ ...typed, nth: Number(e.currentTarget.value) as Nth })}
              >
                {NTH.map(([value, says]) => (
                  <option key={value} value={value}>
                    {says}
                  </option>
                ))}
              </Choice>
            </FieldRow>
          </Box>
        )}
        {howOften === "month-day" && <MonthDay typed={typed} change={change} invalid={Boolean(error)} />}
      </Flex>
      {(howOften === "weeks" || howOften === "twice" || howOften === "month-weekday") && (
        <Weekdays typed={typed} change={change} />
      )}
      {error && (
        <Box role="alert" fontSize="13.5px" color="vermilion" mt="4px" fontWeight="600">
          {error}
        </Box>
      )}
    </Box>
  );
}

function MonthDay({
  typed,
  change,
  invalid,
}: {
  typed: TypedRhythm;
  change: (typed: TypedRhythm) => void;
  invalid: boolean;
}) {
  const last = typed.day === "last";
  return (
    <>
      <Box w="150px">
        <FieldRow label="Which day">
          <Choice
            value={last ? "last" : "number"}
            onChange={(e) => change({ ...typed, day: e.currentTarget.value === "last" ? "last" : "1" })}
          >
            <option value="number">a day by number</option>
            <option value="last">the last day</option>
          </Choice>
        </FieldRow>
      </Box>
      {!last && (
        <Box w="90px">
          <FieldRow label="Day">
            <TextInput
              inputMode="numeric"
              value={typed.day}
              aria-invalid={invalid || undefined}
              onChange={(e) => change({ ...typed, day: e.currentTarget.value })}
            />
          </FieldRow>
        </Box>
      )}
    </>
  );
}

/** The days of the week as a row of keys: pressed is chosen. */
function Weekdays({ typed, change }: { typed: TypedRhythm; change: (typed: TypedRhythm) => void }) {
  return (
    <Flex role="group" aria-label="Days of the week" gap="6px" wrap="wrap" mb="12px">
      {WEEK.map((day) => {
        const on = typed.weekdays.includes(day);
        return (
          <QuietButton
            key={day}
            type="button"
            aria-pressed={on}
            aria-label={weekdayName(day)}
            px="11px"
            minW="52px"
            onClick={() => change(pressWeekday(typed, day))}
            {...(on ? { bg: "corallineWash", borderColor: "coralline" } : {})}
          >
            {weekdayName(day).slice(0, 3)}
          </QuietButton>
        );
      })}
    </Flex>
  );
}
