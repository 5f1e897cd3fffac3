"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { PersonLine } from "@/data/access/people";
import { answered } from "@/kit/answered";
import { Choice, Notice, QuietButton } from "@/kit/controls";
import { useHydrated } from "@/kit/useHydrated";
import { changeRoleAction, leaveAction, mailAgainAction, takeOffFactorsAction } from "./actions";
import { KeptLink } from "./Gone";

type Answer = { readonly ok: true } | { readonly ok: false; readonly message: string };
type Work = Exclude<PersonLine["role"], "tankOwner">;

interface Told {
  readonly problem: boolean;
  readonly says: string;
}

/** Runs what changes a person, and tells what became of it. */
function useAct() {
  const router = useRouter();
  const hydrated = useHydrated();
  const [busy, setBusy] = useState(false);
  const [told, setTold] = useState<Told | null>(null);
  const run = async (asked: Promise<Answer>, done: string | null) => {
    setBusy(true);
    const answer = await answered(asked);
    setBusy(false);
    if (!answer.ok) setTold({ problem: true, says: answer.message });
    else setTold(done === null ? null : { problem: false, says: done });
    if (answer.ok) router.refresh();
  };
  return { disabled: !hydrated || busy, told, run };
}

function Says({ told }: { told: Told | null }) {
  if (!told) return null;
  return (
    <Box role="alert" mt="6px">
      <Notice tone={told.problem ? "danger" : "plain"}>{told.says}</Notice>
    </Box>
  );
}

/** What a person does at the firm, changed by choosing. */
export function RoleChoice({ person }: { person: PersonLine }) {
  const { disabled, told, run } = useAct();
  return (
    <Box maxW="300px">
      <Choice
        aria-label={`What ${person.name} does`}
        value={person.role}
        disabled={disabled}
        py="5px"
        maxW="160px"
        onChange={(e) => run(changeRoleAction({ personId: person.id, role: e.currentTarget.value as Work }), null)}
      >
        <option value="office">office</option>
        <option value="lead">lead</option>
        <option value="technician">technician</option>
      </Choice>
      <Says told={told} />
    </Box>
  );
}

/** Something that is asked twice before it is done. */
function Twice({
  first,
  sure,
  disabled,
  onSure,
}: {
  first: string;
  sure: string;
  disabled: boolean;
  onSure: () => void;
}) {
  const [asking, setAsking] = useState(false);
  const small = { type: "button" as const, py: "5px", fontSize: "13.5px" };
  if (!asking)
    return (
      <QuietButton {...small} disabled={disabled} onClick={() => setAsking(true)}>
        {first}
      </QuietButton>
    );
  return (
    <>
      <QuietButton {...small} borderColor="vermilion" disabled={disabled} onClick={onSure}>
        {sure}
      </QuietButton>
      <QuietButton {...small} onClick={() => setAsking(false)}>
        No
      </QuietButton>
    </>
  );
}

/** Mails a person a way in, takes their second factor off, or marks them as left: what ends sign-ins at once is asked twice. */
export function PersonActions({ person, isMe, hasFactor }: { person: PersonLine; isMe: boolean; hasFactor: boolean }) {
  const { disabled, told, run } = useAct();
  const { id: personId, email, name } = person;
  return (
    <Box>
      <Flex gap="8px" wrap="wrap" align="center" justify="flex-end">
        {email && (
          <QuietButton
            type="button"
            py="5px"
            fontSize="13.5px"
            disabled={disabled}
            onClick={() => run(mailAgainAction({ personId }), `A way in is on its way to ${email}.`)}
          >
            Mail a way in
          </QuietButton>
        )}
        <KeptLink personId={personId} name={name} />
        {!isMe && hasFactor && (
          <Twice
            first="Take off the second factor"
            sure={`Yes, ${name} has lost it`}
            disabled={disabled}
            onSure={() => run(takeOffFactorsAction({ personId }), "It is taken off, and their sign-ins have ended.")}
          />
        )}
        {!isMe && (
          <Twice
            first="Mark as left"
            sure={`Yes, ${name} has left`}
            disabled={disabled}
            onSure={() => run(leaveAction({ personId }), null)}
          />
        )}
      </Flex>
      <Says told={told} />
    </Box>
  );
}
