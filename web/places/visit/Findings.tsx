"use client";

import { Box, Flex } from "@chakra-ui/react";
import { addDays } from "@keel-round/core/calendar";
import type { OpenFinding } from "@keel-round/core/given";
import { useState } from "react";
import { v7 } from "uuid";
import type { LiveVisit } from "@/device/useVisit";
import { Choice, QuietButton, TextInput } from "@/kit/controls";
import { Span } from "@/kit/elements";

const KINDS: readonly [OpenFinding["kind"], string][] = [
  ["equipment", "Equipment"],
  ["livestock", "Animals"],
  ["safety", "Safety"],
  ["other", "Other"],
];
const QUICK = [
  "Pump is quiet",
  "Leak",
  "Fish with spots",
  "One animal missing",
  "Level too low",
  "Light is off",
] as const;

/** What was noticed: entered in two taps, answered before the visit closes. */
export function Findings({ visit }: { visit: LiveVisit }) {
  const [kind, setKind] = useState<OpenFinding["kind"]>("equipment");
  const [text, setText] = useState("");
  const [note, setNote] = useState("");
  const add = async (what: string) => {
    if (!what.trim()) return;
    const refusal = await visit.say({ type: "finding", id: v7(), kind, text: what.trim() });
    if (!refusal) setText("");
  };
  const answered = new Set(visit.state.findings.filter((f) => f.outcome).map((f) => f.id));
  const earlier = visit.kept.input.findings.filter(
    (f) => !answered.has(f.id) && !visit.state.findings.some((x) => x.id === f.id),
  );
  return (
    <Box>
      <Flex gap="8px">
        <Choice
          aria-label="Kind"
          value={kind}
          onChange={(e) => setKind(e.target.value as OpenFinding["kind"])}
          minH="48px"
          w="130px"
        >
          {KINDS.map(([value, label]) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </Choice>
        <TextInput
          aria-label="What was noticed"
          placeholder="what was noticed"
          value={text}
          onChange={(e) => setText(e.target.value)}
          minH="48px"
        />
        <QuietButton type="button" minH="48px" onClick={() => add(text)}>
          Add
        </QuietButton>
      </Flex>
      <Flex gap="6px" mt="8px" wrap="wrap">
        {QUICK.map((q) => (
          <QuietButton key={q} type="button" minH="44px" fontSize="14px" fontWeight="400" onClick={() => add(q)}>
            {q}
          </QuietButton>
        ))}
      </Flex>
      <Box mt="10px">
        {[
          ...earlier.map((f) => ({ ...f, outcome: null, earlier: true })),
          ...visit.state.findings.map((f) => ({ ...f, earlier: false })),
        ].map((f) => (
          <FindingRow key={f.id} visit={visit} id={f.id} text={f.text} outcome={f.outcome} earlier={f.earlier} />
        ))}
      </Box>
      <Flex gap="8px" mt="12px">
        <TextInput
          aria-label="Note for the letter"
          placeholder="a note for the letter"
          value={note}
          onChange={(e) => setNote(e.target.value)}
          minH="48px"
        />
        <QuietButton
          type="button"
          minH="48px"
          onClick={async () => {
            if (note.trim() && !(await visit.say({ type: "note", text: note }))) setNote("");
          }}
        >
          Note
        </QuietButton>
      </Flex>
      {visit.state.notes.map((n) => (
        <Box key={n} color="soft" mt="4px">
          {n}
        </Box>
      ))}
    </Box>
  );
}

const OUTCOME = { fixed: "fixed", carried: "put off", owner: "for the owner" } as const;

function FindingRow({
  visit,
  id,
  text,
  outcome,
  earlier,
}: {
  visit: LiveVisit;
  id: string;
  text: string;
  outcome: { how: keyof typeof OUTCOME; on?: string } | null;
  earlier: boolean;
}) {
  const [on, setOn] = useState(visit.kept.input.nextVisitOn ?? addDays(visit.kept.on, 7));
  const answer = (how: keyof typeof OUTCOME) =>
    visit.say({ type: "resolve", id, how, text, ...(how === "carried" ? { on } : {}) });
  return (
    <Box borderBottomWidth="1px" borderColor="rule" py="8px">
      <Box fontSize="16px" fontWeight="560">
        {text}{" "}
        {earlier && (
          <Span color="soft" fontWeight="400">
            from an earlier visit
          </Span>
        )}
      </Box>
      {outcome ? (
        <Box color="soft">
          {OUTCOME[outcome.how]}
          {outcome.on ? ` to ${outcome.on}` : ""}
        </Box>
      ) : (
        <Flex gap="6px" mt="6px" wrap="wrap" align="center">
          <QuietButton type="button" minH="48px" onClick={() => answer("fixed")}>
            Fixed
          </QuietButton>
          <QuietButton type="button" minH="48px" onClick={() => answer("owner")}>
            For the owner
          </QuietButton>
          <QuietButton type="button" minH="48px" onClick={() => answer("carried")}>
            Put off to
          </QuietButton>
          <TextInput
            type="date"
            aria-label={`Day for ${text}`}
            value={on}
            min={visit.kept.on}
            onChange={(e) => setOn(e.target.value)}
            w="150px"
            minH="48px"
          />
        </Flex>
      )}
    </Box>
  );
}
