"use client";

import { Box } from "@chakra-ui/react";
import { PasswordSchema } from "@keel-round/core/desk";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { changePassword } from "@/device/entry";
import { FieldRow, Notice, QuietButton, TextInput } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";

interface Wrong {
  readonly current?: string;
  readonly next?: string;
}

/** Changes the password; every other sign-in ends with it. */
export function ChangePassword() {
  const router = useRouter();
  const hydrated = useHydrated();
  const [wrong, setWrong] = useState<Wrong>({});
  const [done, setDone] = useState(false);
  const save = async (form: HTMLFormElement) => {
    const typed = new FormData(form);
    const [current, next] = [String(typed.get("current")), String(typed.get("next"))];
    setDone(false);
    const short = PasswordSchema.safeParse(next).error?.issues[0]?.message;
    if (current === "") return setWrong({ current: "Enter the password you have now." });
    if (short) return setWrong({ next: short });
    try {
      const { status, code, message } = await changePassword(current, next);
      if (status !== 200)
        return setWrong(code === "INVALID_PASSWORD" ? { current: "This is not your password." } : { next: message });
    } catch {
      return setWrong({ next: "There is no network. Try again in a moment." });
    }
    setWrong({});
    setDone(true);
    form.reset();
    router.refresh();
  };
  return (
    <Form
      method="post"
      noValidate
      pt="10px"
      onSubmit={(e) => {
        e.preventDefault();
        void save(e.currentTarget);
      }}
    >
      <FieldRow label="Password now" error={wrong.current}>
        <TextInput
          name="current"
          type="password"
          autoComplete="current-password"
          aria-invalid={wrong.current ? true : undefined}
        />
      </FieldRow>
      <FieldRow label="New password" error={wrong.next} hint="At least 10 characters. Ends every other sign-in.">
        <TextInput
          name="next"
          type="password"
          autoComplete="new-password"
          aria-invalid={wrong.next ? true : undefined}
        />
      </FieldRow>
      <QuietButton type="submit" disabled={!hydrated}>
        Change password
      </QuietButton>
      {done && (
        <Box role="status" mt="10px">
          <Notice tone="plain">Your password is changed. Every other sign-in has ended.</Notice>
        </Box>
      )}
    </Form>
  );
}
