"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { SessionLine, WayIn as Way } from "@/data/access/sessions";
import { answered } from "@/kit/answered";
import { Notice, Problem, QuietButton, SubHead } from "@/kit/controls";
import { B, Span } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { moment } from "@/kit/words";
import { endOthersAction, endSessionAction } from "./actions";
import { ChangePassword } from "./ChangePassword";

/** How a person comes in: where they are signed in, who tried in vain, and their password. */
export function WayIn({ way, zone, owner }: { way: Way; zone: string; owner: boolean }) {
  const { failed } = way;
  return (
    <Flex gap="48px" mt="26px" wrap="wrap" align="flex-start">
      <Box flex="1" minW="320px" maxW="568px">
        <SubHead>Where you are signed in</SubHead>
        {failed && (
          <Box mt="10px">
            <Notice tone="care">
              Somebody failed to sign in as {way.email} {failed.times === 1 ? "once" : `${failed.times} times`} in the
              last two weeks, last on {moment(failed.lastAt, zone)} from {failed.from}. If that was not you, change your
              password.
            </Notice>
          </Box>
        )}
        {way.sessions.map((s) => (
          <Session key={s.id} line={s} zone={zone} />
        ))}
        {way.sessions.length > 1 && <EndOthers />}
      </Box>
      <Box w="300px">
        <SubHead>Password</SubHead>
        {owner ? (
          <Box pt="10px" color="soft" fontSize="14.5px">
            You need none: ask for a way in by mail whenever you sign in.
          </Box>
        ) : (
          <ChangePassword />
        )}
      </Box>
    </Flex>
  );
}

function Session({ line, zone }: { line: SessionLine; zone: string }) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [problem, setProblem] = useState<string | null>(null);
  const end = async () => {
    const answer = await answered(endSessionAction({ sessionId: line.id }));
    setProblem(answer.ok ? null : answer.message);
    if (answer.ok) router.refresh();
  };
  return (
    <Flex gap="6px 12px" py="9px" borderBottomWidth="1px" borderColor="rule" align="baseline" wrap="wrap">
      <B fontWeight="620">{line.device}</B>
      <Span color="soft">
        {line.here ? "this one, " : ""}since {moment(line.since, zone)}
        {line.address && `, from ${line.address}`}
      </Span>
      <Box flex="1" />
      {!line.here && (
        <QuietButton type="button" py="5px" fontSize="13.5px" disabled={!hydrated} onClick={end}>
          End it
        </QuietButton>
      )}
      {problem && (
        <Box role="alert" w="100%">
          <Notice tone="danger">{problem}</Notice>
        </Box>
      )}
    </Flex>
  );
}

function EndOthers() {
  const router = useRouter();
  const hydrated = useHydrated();
  const [problem, setProblem] = useState<string | null>(null);
  const end = async () => {
    const answer = await answered(endOthersAction({}));
    setProblem(answer.ok ? null : answer.message);
    if (answer.ok) router.refresh();
  };
  return (
    <Box pt="10px">
      <QuietButton type="button" disabled={!hydrated} onClick={end}>
        End all but this one
      </QuietButton>
      <Problem says={problem} />
    </Box>
  );
}
