"use client";

import { Box, Flex } from "@chakra-ui/react";
import { counted } from "@keel-round/core/text";
import { useState } from "react";
import type { NoticeDraft, NoticeLine } from "@/data/notices/notices";
import { GoButton, Problem, QuietButton, SubHead, TextArea } from "@/kit/controls";
import { B, Label, Span } from "@/kit/elements";
import { moment } from "@/kit/words";

const keyOf = (n: NoticeDraft): string => `${n.kind} ${n.changeId}`;

/** Owners to be told, each with a draft that can be changed: nothing of it is sent before somebody sends it. */
export function Tell({
  drafts,
  busy,
  onSend,
}: {
  drafts: readonly NoticeDraft[];
  busy: boolean;
  /** Answers what stood in the way; null where all were accepted. */
  onSend: (
    accepted: readonly { changeId: string; kind: NoticeDraft["kind"]; text: string }[],
  ) => Promise<string | null>;
}) {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [texts, setTexts] = useState<Readonly<Record<string, string>>>({});
  const [problem, setProblem] = useState<string | null>(null);
  if (drafts.length === 0) return null;
  const going = drafts.filter((n) => n.email !== "" && !left.has(keyOf(n)));
  const toggle = (key: string) =>
    setLeft((before) => new Set(before.has(key) ? [...before].filter((k) => k !== key) : [...before, key]));
  const send = async () =>
    setProblem(
      await onSend(
        going.map(({ changeId, kind, text, ...n }) => ({
          changeId,
          kind,
          text: texts[keyOf({ changeId, kind, text, ...n })] ?? text,
        })),
      ),
    );
  return (
    <Box mt="14px" maxW="760px" data-tell="">
      <SubHead>{counted(drafts.length, "owner")} to be told; nothing has been sent</SubHead>
      {drafts.map((n) => {
        const key = keyOf(n);
        return (
          <Box key={key} py="8px" borderBottomWidth="1px" borderColor="rule">
            <Label display="flex" gap="10px" alignItems="baseline">
              <input
                type="checkbox"
                disabled={n.email === ""}
                checked={n.email !== "" && !left.has(key)}
                onChange={() => toggle(key)}
              />
              <B fontWeight="620">{n.client}</B>
              <Span color="soft" fontSize="13.5px">
                {n.email === "" ? "has no mail address: ring them" : n.email}
                {n.kind === "correction" ? ", a correction" : ""}
              </Span>
            </Label>
            <TextArea
              aria-label={`Message to ${n.client}`}
              rows={4}
              maxLength={2000}
              value={texts[key] ?? n.text}
              onChange={(e) => setTexts((before) => ({ ...before, [key]: e.target.value }))}
            />
          </Box>
        );
      })}
      <Problem says={problem} mt="6px" />
      <Flex gap="10px" mt="8px" align="baseline" wrap="wrap">
        <GoButton type="button" disabled={busy || going.length === 0} onClick={send}>
          Send {counted(going.length, "message")}
        </GoButton>
        <Span color="soft" fontSize="13.5px">
          They wait 15 minutes and can be taken back until then.
        </Span>
      </Flex>
    </Box>
  );
}

/** Messages that were accepted: those that wait can be taken back. */
export function Waiting({
  notices,
  zone,
  busy,
  onTakeBack,
}: {
  notices: readonly NoticeLine[];
  /** Of the firm: times are told by its clock. */
  zone: string;
  busy: boolean;
  onTakeBack: (id: string) => Promise<string | null>;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  if (notices.length === 0) return null;
  return (
    <Box mt="14px" maxW="760px" data-notices="">
      <SubHead>Messages to owners</SubHead>
      {notices.map((n) => (
        <Flex key={n.id} gap="12px" py="6px" borderBottomWidth="1px" borderColor="rule" align="baseline" wrap="wrap">
          <B fontWeight="620">{n.client}</B>
          <Span flex="1" minW="240px" color="soft" fontSize="14px">
            {n.text.split("\n").at(-1)}
          </Span>
          <Span fontSize="14px">
            {n.sentAt
              ? `sent ${moment(n.sentAt, zone)}`
              : n.sendError
                ? `not sent yet: ${n.sendError}`
                : `leaves ${moment(n.leavesAt, zone)}`}
          </Span>
          {!n.sentAt && (
            <QuietButton
              type="button"
              disabled={busy}
              onClick={async () => setProblem(await onTakeBack(n.id))}
              aria-label={`Take back the message to ${n.client}`}
            >
              Take back
            </QuietButton>
          )}
        </Flex>
      ))}
      <Problem says={problem} mt="6px" />
    </Box>
  );
}
