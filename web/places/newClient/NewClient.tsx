"use client";

import { Box, Flex } from "@chakra-ui/react";
import { longDate } from "@keel-round/core/calendar";
import { USUAL_WATERS, type UsualWater } from "@keel-round/core/desk";
import { weekdayName } from "@keel-round/core/series";
import { kindFacts, TANK_KINDS, type TankKind } from "@keel-round/core/tank";
import type { UnitPreference } from "@keel-round/core/units";
import { useRouter } from "next/navigation";
import { type ReactNode, useState } from "react";
import { answered } from "@/kit/answered";
import { Choice, FieldRow, GoButton, Notice, PageHead, SubHead, TextInput } from "@/kit/controls";
import { Fieldset, Form } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { readVessel, type TypedVessel, VesselFields } from "@/kit/VesselFields";
import { makeClientAction } from "./actions";
import { NOTHING_TYPED, readTyped, type Typed } from "./model";

const WATER: Readonly<Record<UsualWater, string>> = {
  tap: "tap water of this site",
  purified: "RO water",
  mix: "salt mix",
  "natural-sea": "sea water",
};
const EVERY = [
  ["1", "every"],
  ["2", "every second"],
  ["3", "every third"],
  ["4", "every fourth"],
] as const;

/** A client with their site, their tank and "every second Tuesday 8–10", in one go. */
export function NewClient({
  people,
  units,
  today,
}: {
  people: readonly { readonly id: string; readonly name: string }[];
  units: UnitPreference;
  today: string;
}) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [typed, setTyped] = useState<Typed>({ ...NOTHING_TYPED, fromOn: today, personId: people[0]?.id ?? "" });
  const [kind, setKind] = useState<TankKind>("community");
  const [shape, setShape] = useState<TypedVessel>({ shape: "box", sides: {} });
  const [shown, setShown] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const read = readTyped(typed, today, units);
  const { vessel, wrong } = readVessel(shape, units);
  const problems: Partial<Record<keyof Typed, string>> = shown && read.problems ? read.problems : {};
  const submit = async () => {
    setShown(true);
    setProblem(null);
    if (!vessel) setProblem(Object.values(wrong)[0] ?? "Enter the inside dimensions.");
    if (read.problems || !vessel) return;
    const { name, contact, email, phone, address, access, tank, water } = typed;
    setBusy(true);
    const answer = await answered(
      makeClientAction({
        client: { name, contact, email, phone },
        site: { address, ...read.place, windows: read.windows, access },
        tank: { name: tank, kind, vessel, water: { make: water as UsualWater }, sump: false, startedOn: today },
        visits: read.visits,
      }),
    );
    setBusy(false);
    if (answer.ok) router.push(`/desk/site/${answer.value.siteId}#visits`);
    else setProblem(answer.message);
  };
  const text = (key: keyof Typed, label: string, hint?: string) => (
    <FieldRow label={label} error={problems[key]} {...(hint ? { hint } : {})}>
      <TextInput
        value={typed[key]}
        aria-invalid={problems[key] ? true : undefined}
        onChange={(e) => setTyped({ ...typed, [key]: e.target.value })}
      />
    </FieldRow>
  );
  const choice = (key: keyof Typed, label: string, options: readonly (readonly [string, string])[]) => (
    <FieldRow label={label} error={problems[key]}>
      <Choice value={typed[key]} onChange={(e) => setTyped({ ...typed, [key]: e.target.value })}>
        {options.map(([value, name]) => (
          <option key={value} value={value}>
            {name}
          </option>
        ))}
      </Choice>
    </FieldRow>
  );
  return (
    <Box>
      <PageHead title="New client" facts="With their site, their tank and its visits: all of it is made at once." />
      <Form
        method="post"
        noValidate
        mt="16px"
        onSubmit={(e) => {
          e.preventDefault();
          void submit();
        }}
      >
        <Fieldset disabled={!hydrated || busy}>
          <Flex gap="16px 40px" wrap="wrap" align="flex-start">
            <Part title="Who">
              {text("name", "Client")}
              {text("contact", "Who is written to")}
              {text("email", "E-mail")}
              {text("phone", "Telephone")}
            </Part>
            <Part title="Where">
              {text("address", "Address")}
              {text("place", "Latitude and longitude", "Or the link of a map.")}
              {text("hours", "May be visited", "Such as Tue 8–10, or Mon–Fri 7:00–9:00; Sat 8–12.")}
              {text("access", "How to get in")}
            </Part>
            <Part title="The tank">
              {text("tank", "What the owner calls it")}
              <FieldRow label="Kind">
                <Choice value={kind} onChange={(e) => setKind(e.target.value as TankKind)}>
                  {TANK_KINDS.map((k) => (
                    <option key={k} value={k}>
                      {kindFacts[k].label}
                    </option>
                  ))}
                </Choice>
              </FieldRow>
              <VesselFields
                label="Shape, measured inside the glass"
                typed={shape}
                wrong={shown ? wrong : {}}
                units={units}
                onChange={(change) => setShape({ ...shape, ...change })}
              />
              {choice(
                "water",
                "New water",
                USUAL_WATERS.map((w) => [w, WATER[w]] as const),
              )}
            </Part>
            <Part title="Visits">
              {choice("every", "How often", EVERY)}
              {choice(
                "day",
                "Day",
                [1, 2, 3, 4, 5, 6, 7].map((d) => [String(d), weekdayName(d)] as const),
              )}
              <FieldRow label="From" error={problems.fromOn}>
                <TextInput
                  type="date"
                  min={today}
                  value={typed.fromOn}
                  onChange={(e) => setTyped({ ...typed, fromOn: e.target.value })}
                />
              </FieldRow>
              {choice(
                "personId",
                "Who comes",
                people.map((p) => [p.id, p.name] as const),
              )}
              {!read.problems && (
                <Box color="soft" fontSize="14.5px" mb="10px" data-first="">
                  First visit: {longDate(read.visits.fromOn)}.
                </Box>
              )}
            </Part>
          </Flex>
          {problem && (
            <Box role="alert" my="12px" maxW="620px">
              <Notice tone="danger">{problem}</Notice>
            </Box>
          )}
          <GoButton type="submit" disabled={!hydrated || busy} mt="6px">
            {busy ? "Making" : "Make client, site, tank and visits"}
          </GoButton>
        </Fieldset>
      </Form>
    </Box>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box w={{ base: "100%", md: "330px" }}>
      <SubHead>{title}</SubHead>
      <Box pt="10px">{children}</Box>
    </Box>
  );
}
