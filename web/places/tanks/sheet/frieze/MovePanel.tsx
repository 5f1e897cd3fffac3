"use client";

import { Box, Flex } from "@chakra-ui/react";
import { addDays, sayDay } from "@keel-round/core/calendar";
import { codeOfMergeId, earlyDaysOf, type MergePlan } from "@keel-round/core/programme";
import { brokenSentence } from "@keel-round/core/words";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { ActionResult } from "@/data/access/define";
import type { YearAhead } from "@/data/programme/yearAhead";
import { FieldRow, GoButton, Notice, QuietButton, TextInput } from "@/kit/controls";

/** Puts a job on a visit, or gives it back to the plan. */
export type PinAction = (input: {
  readonly tankId: string;
  readonly code: string;
  readonly on: string | null;
  readonly reason?: string;
}) => Promise<ActionResult<void>>;

const MOST_MOVED = 4;
/** Where Enter on a job that is being moved leads. */
export const PUT_ID = "put-job-there";

/** What a job taken to another visit does to the rest, before it counts. */
export function MovePanel({
  tankId,
  moving,
  before,
  after,
  nameOf,
  pin,
  onDone,
}: {
  tankId: string;
  moving: { readonly taskId: string; readonly on: string };
  before: YearAhead;
  after: MergePlan;
  nameOf: (id: string) => string;
  pin: PinAction;
  onDone: () => void;
}) {
  const router = useRouter();
  const [reason, setReason] = useState("");
  const [error, setError] = useState<{ message: string; field?: string | undefined } | null>(null);
  const [busy, setBusy] = useState(false);
  const task = before.tasks.find((t) => t.id === moving.taskId);
  const turn = after.placements.find((p) => p.taskId === moving.taskId);
  if (!task || !turn) return null;
  const breaks = after.broken.filter(
    (b) => [b.taskId, b.otherId].includes(task.id) && [b.on, b.otherOn].includes(moving.on),
  );
  const remedy = task.notBefore !== undefined && moving.on < task.notBefore ? task.notBefore : null;
  const [from, to] = [addDays(turn.targetOn, -earlyDaysOf(task)), addDays(turn.targetOn, task.giveDays)];
  const outside = moving.on < from || moving.on > to;
  const over = after.overload.find((o) => o.on === moving.on);
  const others = after.placements.flatMap((p) => {
    const turns = (plan: MergePlan) => plan.placements.filter((x) => x.taskId === p.taskId);
    const index = turns(after).indexOf(p);
    const was = turns(before.plan)[index];
    return p.taskId !== task.id && index === 0 && was && was.on !== p.on ? [{ p, was }] : [];
  });
  const pinned = before.plan.placements.find((p) => p.taskId === task.id)?.cause?.code === "pinned";
  const save = async (on: string | null) => {
    setBusy(true);
    const answer = await pin({
      tankId,
      code: codeOfMergeId(task.id),
      on,
      ...(reason.trim() ? { reason: reason.trim() } : {}),
    }).finally(() => setBusy(false));
    if (!answer.ok) return setError({ message: answer.message, field: Object.values(answer.fields).flat()[0] });
    router.refresh();
    onDone();
  };
  return (
    <Box
      mt="10px"
      p="12px 14px"
      borderWidth="1px"
      borderColor="coralline"
      rounded="s"
      bg="sheet"
      role="region"
      aria-label="Moving a job"
      data-move-panel=""
      position="sticky"
      bottom="8px"
      zIndex="1"
      boxShadow="0 2px 14px rgb(0 0 0 / 0.14)"
    >
      <Box fontWeight="640">
        {nameOf(task.id)} on {sayDay(moving.on)}
      </Box>
      <Box color="soft" fontSize="14px">
        Due {sayDay(turn.targetOn)}; its window runs from {sayDay(from)} to {sayDay(to)}.
      </Box>
      <Box mt="6px" fontSize="14.5px" aria-live="polite">
        {breaks.map((b) => (
          <Box key={`${b.taskId}${b.otherId}`} color="vermilion" fontWeight="600">
            {brokenSentence(b, nameOf)}
          </Box>
        ))}
        {remedy && (
          <Box color="vermilion" fontWeight="600">
            A medication is in the water until {sayDay(remedy)}.
          </Box>
        )}
        {outside && <Box color="ochre">This lies outside its window.</Box>}
        {over && (
          <Box color="ochre">
            {sayDay(over.on)} gets longer than it may, by {Math.round(over.minutes)} min.
          </Box>
        )}
        {others.slice(0, MOST_MOVED).map(({ p, was }) => (
          <Box key={p.taskId}>
            {nameOf(p.taskId)} makes room: from {sayDay(was.on)} to {sayDay(p.on)}.
          </Box>
        ))}
        {others.length > MOST_MOVED && <Box color="soft">and {others.length - MOST_MOVED} more make room.</Box>}
        {breaks.length === 0 && !remedy && !outside && !over && others.length === 0 && (
          <Box>No rule is broken, and nothing else moves.</Box>
        )}
      </Box>
      {(breaks.length > 0 || remedy || outside) && (
        <Box mt="10px" maxW="460px">
          <FieldRow label="Why it is right here" error={error?.field}>
            <TextInput value={reason} maxLength={400} onChange={(e) => setReason(e.target.value)} />
          </FieldRow>
        </Box>
      )}
      {error && !error.field && (
        <Box mt="8px" role="alert">
          <Notice tone="danger">{error.message}</Notice>
        </Box>
      )}
      <Flex gap="8px" mt="10px" wrap="wrap">
        <GoButton id={PUT_ID} type="button" disabled={busy} onClick={() => save(moving.on)}>
          Put it there
        </GoButton>
        <QuietButton type="button" onClick={onDone}>
          Leave it
        </QuietButton>
        {pinned && (
          <QuietButton type="button" disabled={busy} onClick={() => save(null)}>
            Back to the plan
          </QuietButton>
        )}
      </Flex>
    </Box>
  );
}
