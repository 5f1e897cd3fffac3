"use client";

import { Box } from "@chakra-ui/react";
import { zodResolver } from "@hookform/resolvers/zod";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { z } from "zod";
import { askForEntry, hasPasskeys, signIn, signInByPasskey } from "@/device/entry";
import { FieldRow, GoButton, Notice, QuietButton, TextInput } from "@/kit/controls";
import { A, Form } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { CodeStep } from "./CodeStep";
import { EntryFrame } from "./EntryFrame";

const EmailSchema = z.email("Enter an e-mail address, such as name@firm.example.");
const Credentials = z.object({ email: EmailSchema, password: z.string().min(1, "Enter your password.") });
type Credentials = z.infer<typeof Credentials>;

interface Told {
  readonly tone: "danger" | "plain";
  readonly says: string;
}

const NO_NETWORK: Told = {
  tone: "danger",
  says: "There is no network. Visits already on this device can be opened without signing in again.",
};

/** Signs in, in one step or two; on a server that holds no business yet, the way to begin one stands here too. */
export function SignIn({ first }: { first: boolean }) {
  const [asksCode, setAsksCode] = useState(false);
  return (
    <EntryFrame title="Sign in">
      {asksCode ? <CodeStep onBack={() => setAsksCode(false)} /> : <PasswordStep onCode={() => setAsksCode(true)} />}
      {first && (
        <Box mt="16px">
          Nobody works here yet.{" "}
          <A href="/begin" color="coralline" textDecoration="underline">
            Begin your business
          </A>
        </Box>
      )}
    </EntryFrame>
  );
}

const NOT_TOGETHER = "This e-mail and password do not go together. Enter both again, or set a new password.";

function PasswordStep({ onCode }: { onCode: () => void }) {
  const hydrated = useHydrated();
  const [told, setTold] = useState<Told | null>(null);
  const { register, handleSubmit, formState, getValues, setError } = useForm<Credentials>({
    resolver: zodResolver(Credentials),
  });
  const submit = handleSubmit(async (form) => {
    setTold(null);
    try {
      const { status, message, body } = await signIn(form.email, form.password);
      if (status === 200) return body.twoFactorRedirect ? onCode() : window.location.assign("/");
      setTold({ tone: "danger", says: status === 401 ? NOT_TOGETHER : message });
    } catch {
      setTold(NO_NETWORK);
    }
  });
  /** The address that was typed, or what is wrong with it beside it. */
  const typedEmail = (): string | null => {
    const email = EmailSchema.safeParse(getValues("email"));
    if (email.success) return email.data;
    setError("email", { message: email.error.issues[0]?.message ?? "" }, { shouldFocus: true });
    return null;
  };
  const { email, password } = formState.errors;
  return (
    <Form method="post" onSubmit={submit} noValidate>
      <FieldRow label="E-mail" error={email?.message}>
        <TextInput
          type="email"
          autoComplete="username"
          {...register("email")}
          aria-invalid={email ? true : undefined}
        />
      </FieldRow>
      <FieldRow label="Password" error={password?.message}>
        <TextInput
          type="password"
          autoComplete="current-password"
          {...register("password")}
          aria-invalid={password ? true : undefined}
        />
      </FieldRow>
      {told && (
        <Box role="alert" mb="12px">
          <Notice tone={told.tone}>{told.says}</Notice>
        </Box>
      )}
      <GoButton type="submit" w="100%" py="11px" disabled={!hydrated || formState.isSubmitting}>
        {formState.isSubmitting ? "Signing in" : "Sign in"}
      </GoButton>
      <OtherWays typedEmail={typedEmail} onTold={setTold} />
    </Form>
  );
}

/** In without a password: by a passkey, or by a mail. */
function OtherWays({ typedEmail, onTold }: { typedEmail: () => string | null; onTold: (told: Told | null) => void }) {
  const hydrated = useHydrated();
  const byPasskey = async () => {
    onTold(null);
    try {
      const { status, message } = await signInByPasskey();
      if (status === 200) return window.location.assign("/");
      onTold({ tone: "danger", says: message });
    } catch {
      onTold(NO_NETWORK);
    }
  };
  const byMail = async () => {
    const email = typedEmail();
    if (email === null) return;
    try {
      const { status, message } = await askForEntry(email);
      onTold(
        status === 200
          ? { tone: "plain", says: `If ${email} is known here, a way in is on its way to it.` }
          : { tone: "danger", says: message },
      );
    } catch {
      onTold(NO_NETWORK);
    }
  };
  return (
    <>
      <QuietButton
        type="button"
        w="100%"
        mt="10px"
        disabled={!hydrated || !hasPasskeys()}
        onClick={() => void byPasskey()}
      >
        Use a passkey
      </QuietButton>
      <Box mt="22px" fontSize="14.5px" color="soft">
        No password, or forgotten?
      </Box>
      <QuietButton type="button" w="100%" mt="6px" disabled={!hydrated} onClick={() => void byMail()}>
        Mail me a way in
      </QuietButton>
    </>
  );
}
