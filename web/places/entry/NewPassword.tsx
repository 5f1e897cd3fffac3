"use client";

import { Box } from "@chakra-ui/react";
import { PasswordSchema } from "@keel-round/core/desk";
import { useState } from "react";
import { resetPassword } from "@/device/entry";
import { FieldRow, GoButton, Notice, TextInput } from "@/kit/controls";
import { A, Form } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { EntryFrame } from "./EntryFrame";

const OVER = "This link is over: it works once, and not for long.";

/** Sets a password by a mailed link: the first one, or a new one. */
export function NewPassword({ token }: { token: string }) {
  const hydrated = useHydrated();
  const [password, setPassword] = useState("");
  const [error, setError] = useState<string | null>(null);
  const [state, setState] = useState<"asks" | "busy" | "done" | "over">(token === "" ? "over" : "asks");
  const save = async () => {
    const wrong = PasswordSchema.safeParse(password).error?.issues[0]?.message ?? null;
    setError(wrong);
    if (wrong) return;
    setState("busy");
    try {
      const { status, code, message } = await resetPassword(token, password);
      if (status === 200) return setState("done");
      if (code === "INVALID_TOKEN") return setState("over");
      setError(message);
    } catch {
      setError("There is no network. Try again in a moment.");
    }
    setState("asks");
  };
  if (state === "done")
    return (
      <EntryFrame title="Your password is set">
        <Box mb="14px">Sign in with your e-mail address and this password.</Box>
        <GoButton asChild w="100%" py="11px">
          <a href="/sign-in">Sign in</a>
        </GoButton>
      </EntryFrame>
    );
  if (state === "over")
    return (
      <EntryFrame title="Set a password">
        <Notice tone="care">{OVER}</Notice>
        <Box mt="14px">
          <A href="/sign-in" color="coralline" textDecoration="underline">
            Ask for another one
          </A>
        </Box>
      </EntryFrame>
    );
  return (
    <EntryFrame title="Set a password">
      <Form
        method="post"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          void save();
        }}
      >
        <FieldRow label="New password" error={error ?? undefined} hint="At least 10 characters.">
          <TextInput
            type="password"
            autoComplete="new-password"
            value={password}
            aria-invalid={error ? true : undefined}
            onChange={(e) => setPassword(e.currentTarget.value)}
          />
        </FieldRow>
        <GoButton type="submit" w="100%" py="11px" disabled={!hydrated || state === "busy"}>
          Set this password
        </GoButton>
      </Form>
    </EntryFrame>
  );
}
