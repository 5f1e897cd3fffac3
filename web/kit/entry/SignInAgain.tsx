"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { hasPasskeys, proveAnew, signInByPasskey } from "@/device/entry";
import { FieldRow, GoButton, Problem, QuietButton, TextInput } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { NO_NETWORK_NOW } from "@/kit/words";

/** Asks who sits there once more, by password or passkey; the code of an app is asked for where there is one. */
export function SignInAgain({ onDone }: { onDone: () => void }) {
  const hydrated = useHydrated();
  const [wrong, setWrong] = useState<{ password?: string; code?: string; other?: string }>({});
  const [asksCode, setAsksCode] = useState(false);
  const [busy, setBusy] = useState(false);
  const prove = async (form: HTMLFormElement) => {
    const typed = new FormData(form);
    const password = String(typed.get("password"));
    if (password === "") return setWrong({ password: "Enter your password." });
    const code = String(typed.get("code") ?? "");
    const { status, code: kind, message } = await proveAnew(password, code);
    if (status === 200) return onDone();
    if (kind === "wrong-code") setAsksCode(true);
    if (kind === "wrong-password") return setWrong({ password: message });
    // That a code is asked for at all is no error.
    setWrong(kind !== "wrong-code" ? { other: message } : code === "" && !asksCode ? {} : { code: message });
  };
  const byPasskey = async () => {
    const { status, message } = await signInByPasskey();
    if (status === 200) return onDone();
    setWrong({ other: message });
  };
  const run = async (what: () => Promise<void>) => {
    setBusy(true);
    setWrong({});
    await what().catch(() => setWrong({ other: NO_NETWORK_NOW }));
    setBusy(false);
  };
  return (
    <Form
      method="post"
      noValidate
      maxW="320px"
      onSubmit={(e) => {
        e.preventDefault();
        const form = e.currentTarget;
        void run(() => prove(form));
      }}
    >
      <FieldRow label="Your password" error={wrong.password}>
        <TextInput
          name="password"
          type="password"
          autoComplete="current-password"
          aria-invalid={wrong.password ? true : undefined}
        />
      </FieldRow>
      {asksCode && (
        <FieldRow label="Code" hint="Six digits that your authenticator app shows." error={wrong.code}>
          <TextInput name="code" autoFocus inputMode="numeric" autoComplete="one-time-code" fontFamily="mono" />
        </FieldRow>
      )}
      <Problem says={wrong.other ?? null} mb="12px" />
      <GoButton type="submit" w="100%" disabled={!hydrated || busy}>
        Go on
      </GoButton>
      <Box mt="10px">
        <QuietButton
          type="button"
          w="100%"
          disabled={!hydrated || busy || !hasPasskeys()}
          onClick={() => void run(byPasskey)}
        >
          Use a passkey
        </QuietButton>
      </Box>
    </Form>
  );
}
