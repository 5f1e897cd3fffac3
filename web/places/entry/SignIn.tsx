"use client";

import { Box } from "@chakra-ui/react";
import { zodResolver } from "@hookform/resolvers/zod";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { z } from "zod";
import { askForEntry, signIn } from "@/device/entry";
import { FieldRow, GoButton, Notice, QuietButton, TextInput } from "@/kit/controls";
import { A, Form } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
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

/** Signs in; on a server that holds no business yet, the way to begin one stands here too. */
export function SignIn({ first }: { first: boolean }) {
  const hydrated = useHydrated();
  const [told, setTold] = useState<Told | null>(null);
  const { register, handleSubmit, formState, getValues, setError } = useForm<Credentials>({
    resolver: zodResolver(Credentials),
  });
  const submit = handleSubmit(async (form) => {
    setTold(null);
    try {
      const { status, message } = await signIn(form.email, form.password);
      if (status === 200) return window.location.assign("/");
      setTold({
        tone: "danger",
        says:
          status === 401
            ? "This e-mail and password do not go together. Enter both again, or set a new password."
            : message,
      });
    } catch {
      setTold(NO_NETWORK);
    }
  });
  const ask = async () => {
    const email = EmailSchema.safeParse(getValues("email"));
    if (!email.success)
      return setError("email", { message: email.error.issues[0]?.message ?? "" }, { shouldFocus: true });
    try {
      const { status, message } = await askForEntry(email.data);
      setTold(
        status === 200
          ? { tone: "plain", says: `If ${email.data} is known here, a way in is on its way to it.` }
          : { tone: "danger", says: message },
      );
    } catch {
      setTold(NO_NETWORK);
    }
  };
  return (
    <EntryFrame title="Sign in">
      <Form method="post" onSubmit={submit} noValidate>
        <FieldRow label="E-mail" error={formState.errors.email?.message}>
          <TextInput
            type="email"
            autoComplete="username"
            {...register("email")}
            aria-invalid={formState.errors.email ? true : undefined}
          />
        </FieldRow>
        <FieldRow label="Password" error={formState.errors.password?.message}>
          <TextInput
            type="password"
            autoComplete="current-password"
            {...register("password")}
            aria-invalid={formState.errors.password ? true : undefined}
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
        <Box mt="22px" fontSize="14.5px" color="soft">
          No password, or forgotten?
        </Box>
        <QuietButton type="button" w="100%" mt="6px" disabled={!hydrated} onClick={ask}>
          Mail me a way in
        </QuietButton>
      </Form>
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
