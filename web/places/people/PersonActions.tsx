"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { PersonLine } from "@/data/access/people";
import { Choice, Notice, QuietButton } from "@/kit/controls";
import { Label } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { changeRoleAction, leaveAction, mailAgainAction } from "./actions";

type Answer = { readonly ok: true } | { readonly ok: false; readonly message: string };
type Work = Exclude<PersonLine["role"], "owner">;

/** Changes what a person does, mails them a way in, lets them go: asked twice, since their sign-ins end at once. */
export function PersonActions({ person, isMe }: { person: PersonLine; isMe: boolean }) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [busy, setBusy] = useState(false);
  const [told, setTold] = useState<{ readonly problem: boolean; readonly says: string } | null>(null);
  const [leaving, setLeaving] = useState(false);
  const run = async (asked: Promise<Answer>, done: string | null) => {
    setBusy(true);
    const answer = await asked;
    setBusy(false);
    setLeaving(false);
    if (!answer.ok) setTold({ problem: true, says: answer.message });
    else setTold(done === null ? null : { problem: false, says: done });
    if (answer.ok) router.refresh();
  };
  const disabled = !hydrated || busy;
  return (
    <Box>
      <Flex gap="8px" wrap="wrap" align="center" justify="flex-end">
        {person.role !== "owner" && (
          <Label w="140px">
            <Choice
              aria-label={`What ${person.name} does`}
              value={person.role}
              disabled={disabled}
              py="5px"
              onChange={(e) =>
                run(changeRoleAction({ personId: person.id, role: e.currentTarget.value as Work }), null)
              }
            >
              <option value="office">office</option>
              <option value="lead">lead</option>
              <option value="technician">technician</option>
            </Choice>
          </Label>
        )}
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
            Leaves
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
              Yes, {person.name} leaves
            </QuietButton>
            <QuietButton type="button" py="5px" fontSize="13.5px" onClick={() => setLeaving(false)}>
              No
            </QuietButton>
          </>
        )}
      </Flex>
      {told && (
        <Box role="alert" mt="6px">
          <Notice tone={told.problem ? "danger" : "plain"}>{told.says}</Notice>
        </Box>
      )}
    </Box>
  );
}
