"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { enterCode } from "@/device/entry";
import { FieldRow, GoButton, Problem, QuietButton, TextInput } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { NO_NETWORK_NOW } from "@/kit/words";

/** What the sign-in library says of a code, as people say it. */
const SAYS: Readonly<Record<string, string>> = {
  INVALID_CODE: "This is not the code of now. Enter the one that your app shows.",
  INVALID_BACKUP_CODE: "This is none of your recovery codes, or it was used already.",
  INVALID_TWO_FACTOR_COOKIE: "This took too long. Enter your password again.",
  TOO_MANY_ATTEMPTS_REQUEST_NEW_CODE: "Too many wrong codes. Enter your password again.",
  ACCOUNT_TEMPORARILY_LOCKED: "Too many wrong codes. Wait a quarter of an hour, then enter your password again.",
};

/** The second step of a sign-in: a code of an authenticator app, or a recovery code. */
export function CodeStep({ onBack }: { onBack: () => void }) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const enter = async (form: HTMLFormElement) => {
    const code = String(new FormData(form).get("code"));
    if (code.trim() === "") return setProblem("Enter the code that your app shows, or a recovery code.");
    setBusy(true);
    setProblem(null);
    try {
      const said = await enterCode(code);
      if (said.status === 200) return window.location.assign("/");
      setProblem(
        said.status === 429 && !(said.code in SAYS)
          ? "Too many tries. Wait a minute."
          : (SAYS[said.code] ?? said.message),
      );
    } catch {
      setProblem(NO_NETWORK_NOW);
    }
    setBusy(false);
  };
  return (
    <Form
      method="post"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void enter(e.currentTarget);
      }}
    >
      <FieldRow label="Code" hint="Six digits that your authenticator app shows, or one of your recovery codes.">
        <TextInput
          name="code"
          autoFocus
          autoComplete="one-time-code"
          autoCapitalize="off"
          fontFamily="mono"
          fontSize="19px"
        />
      </FieldRow>
      <Problem says={problem} mb="12px" />
      <GoButton type="submit" w="100%" py="11px" disabled={busy}>
        Sign in
      </GoButton>
      <Box mt="12px">
        <QuietButton type="button" w="100%" onClick={onBack}>
          Back to the password
        </QuietButton>
      </Box>
    </Form>
  );
}
