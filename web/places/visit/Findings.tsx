"use client";

import { Box, Flex } from "@chakra-ui/react";
import { FINDING_KINDS, type FindingKind, kindOfNote } from "@keel-round/core/given";
import { useState } from "react";
import { v7 } from "uuid";
import type { LiveVisit } from "@/device/useVisit";
import { Choice, Problem, QuietButton, TextInput } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { Photos } from "./camera/Photos";
import { FindingAnswer } from "./FindingAnswer";
import { refusalSentence } from "./refusals";

const KIND_NAME: Record<FindingKind, string> = {
  safety: "Safety",
  livestock: "Animals",
  equipment: "Equipment",
  water: "Water",
  site: "The place",
  other: "Other",
};
const QUICK = [
  "Pump is quiet",
  "Leak",
  "Fish with spots",
  "One animal missing",
  "Level too low",
  "Light is off",
] as const;

/** What was noticed: entered in two taps, answered before the visit closes; and notes for the letter. */
export function Findings({ visit }: { visit: LiveVisit }) {
  const said = visit.state.findings;
  const earlier = visit.kept.input.findings;
  const all = [
    ...earlier.map((f) => ({ ...f, earlier: true })),
    ...said.filter((f) => !earlier.some((e) => e.id === f.id)).map((f) => ({ ...f, earlier: false })),
  ];
  return (
    <Box>
      <NewFinding visit={visit} />
      <Box mt="10px">
        {all.map((f) => (
          <Box key={f.id} borderBottomWidth="1px" borderColor="rule" py="8px" data-finding={f.kind}>
            <Flex gap="10px" align="center">
              <Box flex="1" fontSize="16px" fontWeight="560">
                {f.text}{" "}
                <Span color="soft" fontWeight="400">
                  {f.earlier ? "from an earlier visit" : KIND_NAME[f.kind].toLowerCase()}
                </Span>
              </Box>
              {!f.earlier && (
                <QuietButton
                  type="button"
                  minH="48px"
                  fontWeight="400"
                  aria-label={`Delete: ${f.text}`}
                  onClick={() => visit.say({ type: "finding-back", id: f.id })}
                >
                  Delete
                </QuietButton>
              )}
            </Flex>
            <FindingAnswer visit={visit} id={f.id} />
            <Photos visit={visit} spot={{ kind: "finding", id: f.id }} name="what was noticed" />
          </Box>
        ))}
      </Box>
      <Photos visit={visit} spot={{ kind: "tank", id: "" }} name="the tank from its place" />
      <Notes visit={visit} />
    </Box>
  );
}

/** A field for what was noticed. What it is about follows from its words, until somebody says otherwise. */
function NewFinding({ visit }: { visit: LiveVisit }) {
  const [chosen, setChosen] = useState<FindingKind | null>(null);
  const [text, setText] = useState("");
  const [error, setError] = useState<string | null>(null);
  const kind = chosen ?? kindOfNote(text);
  const add = async (what: string, about: FindingKind) => {
    if (!what.trim()) return setError("Say what was noticed, in a few words.");
    const refusal = await visit.say({ type: "finding", id: v7(), kind: about, text: what.trim() });
    setError(refusal ? refusalSentence(refusal) : null);
    if (refusal) return;
    setText("");
    setChosen(null);
  };
  return (
    <>
      <TextInput
        aria-label="What was noticed"
        placeholder="what was noticed"
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => e.key === "Enter" && add(text, kind)}
        minH="48px"
      />
      <Flex gap="8px" mt="8px">
        <Choice
          aria-label="What it is about"
          value={kind}
          onChange={(e) => setChosen(e.target.value as FindingKind)}
          minH="48px"
          flex="1"
        >
          {FINDING_KINDS.map((value) => (
            <option key={value} value={value}>
              {KIND_NAME[value]}
            </option>
          ))}
        </Choice>
        <QuietButton type="button" minH="48px" minW="84px" onClick={() => add(text, kind)}>
          Add
        </QuietButton>
      </Flex>
      <Problem says={error} />
      <Flex gap="6px" mt="8px" wrap="wrap">
        {QUICK.map((q) => (
          <QuietButton
            key={q}
            type="button"
            minH="48px"
            fontSize="14px"
            fontWeight="400"
            onClick={() => add(q, kindOfNote(q))}
          >
            {q}
          </QuietButton>
        ))}
      </Flex>
    </>
  );
}

/** Words for the letter, as they are. */
function Notes({ visit }: { visit: LiveVisit }) {
  const [note, setNote] = useState("");
  const [error, setError] = useState<string | null>(null);
  const add = async () => {
    if (!note.trim()) return setError("Say it in a word or two.");
    const refusal = await visit.say({ type: "note", id: v7(), text: note });
    setError(refusal ? refusalSentence(refusal) : null);
    if (!refusal) setNote("");
  };
  return (
    <>
      <Flex gap="8px" mt="12px">
        <TextInput
          aria-label="Note for the letter"
          placeholder="a note for the letter"
          value={note}
          onChange={(e) => setNote(e.target.value)}
          onKeyDown={(e) => e.key === "Enter" && add()}
          minH="48px"
        />
        <QuietButton type="button" minH="48px" onClick={add}>
          Note
        </QuietButton>
      </Flex>
      <Problem says={error} />
      {visit.state.notes.map(({ id, text }) => (
        <Flex key={id ?? text} color="soft" mt="4px" gap="10px" align="center">
          <Box flex="1">{text}</Box>
          {id && (
            <QuietButton
              type="button"
              minH="48px"
              fontWeight="400"
              aria-label={`Delete: ${text}`}
              onClick={() => visit.say({ type: "note-back", id })}
            >
              Delete
            </QuietButton>
          )}
        </Flex>
      ))}
    </>
  );
}
