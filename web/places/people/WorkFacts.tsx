"use client";

import { Box, Flex } from "@chakra-ui/react";
import { clockText } from "@keel-round/core/calendar";
import { weekdayName } from "@keel-round/core/series";
import { type UnitPreference, unitShown } from "@keel-round/core/units";
import { EVERY_DAY, KNOWS, KNOWS_NAME, type Knows } from "@keel-round/core/weeks";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { PersonLine } from "@/data/access/people";
import { answered } from "@/kit/answered";
import { Problem, QuietButton, TextInput } from "@/kit/controls";
import { Details, Fieldset, Label, Span, Summary } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { saveWorkAction } from "./actions";
import { barrelsOf, minuteOf, shownRoom, shownVan, vanKgOf, vanLOf } from "./workModel";

type Errors = Readonly<Record<string, readonly string[] | undefined>>;

/** What is typed of how somebody works, and its saving. */
function useWork(person: PersonLine, units: UnitPreference) {
  const { work } = person;
  const router = useRouter();
  const hydrated = useHydrated();
  const [from, setFrom] = useState(clockText(work.dayStartMinute));
  const [to, setTo] = useState(clockText(work.dayEndMinute));
  const [van, setVan] = useState(shownVan(work.vanKg, units));
  const [room, setRoom] = useState(shownRoom(work.vanL, units));
  const [barrels, setBarrels] = useState(work.vanBarrels === null ? "" : String(work.vanBarrels));
  const [days, setDays] = useState<readonly number[]>(work.workdays);
  const [knows, setKnows] = useState<readonly Knows[]>(work.knows ?? KNOWS);
  const [errors, setErrors] = useState<Errors>({});
  const [told, setTold] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const flip = <T,>(list: readonly T[], one: T): T[] =>
    list.includes(one) ? list.filter((x) => x !== one) : [...list, one];
  const save = async () => {
    setBusy(true);
    setTold(null);
    const answer = await answered(
      saveWorkAction({
        personId: person.id,
        dayStartMinute: minuteOf(from),
        dayEndMinute: minuteOf(to),
        vanKg: vanKgOf(van, work.vanKg, units),
        vanL: vanLOf(room, work.vanL, units),
        vanBarrels: barrelsOf(barrels),
        workdays: days,
        knows: knows.length === KNOWS.length ? null : knows,
      }),
    );
    setBusy(false);
    setErrors(answer.ok ? {} : answer.fields);
    setTold(answer.ok ? (answer.value.changed > 0 ? "Saved." : "Nothing has changed.") : null);
    if (answer.ok) router.refresh();
    else if (Object.keys(answer.fields).length === 0) setTold(answer.message);
  };
  return {
    ...{ from, setFrom, to, setTo, van, setVan, room, setRoom, barrels, setBarrels, days, knows, errors, told, save },
    flipDay: (d: number) => setDays(flip(days, d)),
    flipKnows: (k: Knows) => setKnows(flip(knows, k)),
    disabled: busy || !hydrated,
  };
}

/** When somebody works, what their van carries, and what they do: what weeks and rounds are laid by. */
export function WorkFacts({ person, units }: { person: PersonLine; units: UnitPreference }) {
  const form = useWork(person, units);
  const { from, to, van, days, knows } = form;
  const said = (field: string) => form.errors[field]?.[0] ?? null;
  return (
    <Details fontSize="14.5px" mt="4px">
      <Summary color="soft" minH="32px">
        Day, van and skills
      </Summary>
      <Box p="10px 0" maxW="620px">
        <Flex gap="12px" wrap="wrap" align="start">
          <Typed name="Works from" type="time" value={from} onType={form.setFrom} problem={said("dayStartMinute")} />
          <Typed name="Works until" type="time" value={to} onType={form.setTo} problem={said("dayEndMinute")} />
          <Typed
            name={`Van carries, ${unitShown("kg", units)}`}
            inputMode="decimal"
            value={van}
            onType={form.setVan}
            problem={said("vanKg")}
          />
          <Typed
            name={`Van has room for, ${unitShown("L", units)}`}
            inputMode="decimal"
            value={form.room}
            onType={form.setRoom}
            problem={said("vanL")}
          />
          <Typed
            name="In so many barrels"
            inputMode="numeric"
            value={form.barrels}
            onType={form.setBarrels}
            problem={said("vanBarrels")}
          />
        </Flex>
        <Choices name="Works on" error={said("workdays")}>
          {EVERY_DAY.map((d) => (
            <Check key={d} on={days.includes(d)} onFlip={() => form.flipDay(d)}>
              {weekdayName(d)}
            </Check>
          ))}
        </Choices>
        <Choices name="Does" error={said("knows")}>
          {KNOWS.map((k) => (
            <Check key={k} on={knows.includes(k)} onFlip={() => form.flipKnows(k)}>
              {KNOWS_NAME[k]}
            </Check>
          ))}
        </Choices>
        <Flex gap="12px" align="center" mt="10px">
          <QuietButton type="button" disabled={form.disabled} onClick={form.save}>
            Save day, van and skills
          </QuietButton>
          <Span role="status" color="soft">
            {form.told}
          </Span>
        </Flex>
      </Box>
    </Details>
  );
}

function Typed({
  name,
  value,
  onType,
  problem,
  ...input
}: {
  name: string;
  value: string;
  onType: (text: string) => void;
  problem: string | null;
  type?: "time";
  inputMode?: "decimal" | "numeric";
}) {
  return (
    <Label>
      {name}
      <TextInput {...input} value={value} onChange={(e) => onType(e.target.value)} w="140px" display="block" />
      <Problem says={problem} />
    </Label>
  );
}

function Choices({ name, error, children }: { name: string; error: string | null; children: React.ReactNode }) {
  return (
    <Fieldset mt="10px" border="0" p="0">
      <Box as="legend" color="soft" pb="4px">
        {name}
      </Box>
      <Flex wrap="wrap" gap="4px 16px">
        {children}
      </Flex>
      <Problem says={error} />
    </Fieldset>
  );
}

function Check({ on, onFlip, children }: { on: boolean; onFlip: () => void; children: string }) {
  return (
    <Label display="inline-flex" gap="6px" alignItems="center" minH="32px">
      <input type="checkbox" checked={on} onChange={onFlip} />
      {children}
    </Label>
  );
}
