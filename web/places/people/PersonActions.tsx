"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { PersonLine } from "@/data/access/people";
import { Choice, Notice, QuietButton } from "@/kit/controls";
import { useHydrated } from "@/kit/useHydrated";
import { changeRoleAction, leaveAction, mailAgainAction } from "./actions";

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
    const answer = await asked;
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

/** Mails a person a way in, or marks them as left: asked twice, since their sign-ins end at once. */
export function PersonActions({ person, isMe }: { person: PersonLine; isMe: boolean }) {
  const { disabled, told, run } = useAct();
  const [leaving, setLeaving] = useState(false);
  return (
    <Box>
      <Flex gap="8px" wrap="wrap" align="center" justify="flex-end">
        {person.email && (
          <QuietButton
            type="button"
            py="5px"
            fontSize="13.5px"
            disabled={disabled}
            onClick={() =>
              run(mailAgainAction({ personId: person.id }), `A way in is on its way to ${person.email ?? ""}.`)
            }
          >
            Mail a way in
          </QuietButton>
        )}
        {!isMe && !leaving && (
          <QuietButton type="button" py="5px" fontSize="13.5px" disabled={disabled} onClick={() => setLeaving(true)}>
            Mark as left
          </QuietButton>
        )}
        {leaving && (
          <>
            <QuietButton
              type="button"
              py="5px"
              fontSize="13.5px"
              borderColor="vermilion"
              disabled={disabled}
              onClick={() => run(leaveAction({ personId: person.id }), null)}
            >
              Yes, {person.name} has left
            </QuietButton>
            <QuietButton type="button" py="5px" fontSize="13.5px" onClick={() => setLeaving(false)}>
              No
            </QuietButton>
          </>
        )}
      </Flex>
      <Says told={told} />
    </Box>
  );
}
