"use client";

import { Box, Flex } from "@chakra-ui/react";
import { zodResolver } from "@hookform/resolvers/zod";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { z } from "zod";
import { FieldRow, GoButton, Notice, TextInput } from "@/kit/controls";
import { A, Form, H1 } from "@/kit/elements";
import { Brand } from "@/kit/shell/Shell";
import { useHydrated } from "@/kit/useHydrated";
import { signIn } from "./signIn";

const Credentials = z.object({
  email: z.email("Enter an e-mail address, such as name@firm.example."),
  password: z.string().min(1, "Enter your password."),
});
type Credentials = z.infer<typeof Credentials>;

const SENTENCE: Record<number, string> = {
  401: "E-mail or password is not right. What you typed is still here.",
  429: "Too many tries. Wait a minute and try again.",
};

/** Signs in; on a server that holds no business yet, the way to begin one stands here too. */
export function SignIn({ first }: { first: boolean }) {
  const hydrated = useHydrated();
  const [problem, setProblem] = useState<string | null>(null);
  const { register, handleSubmit, formState } = useForm<Credentials>({ resolver: zodResolver(Credentials) });
  const submit = handleSubmit(async (form) => {
    setProblem(null);
    try {
      const status = await signIn(form.email, form.password);
      if (status === 200) window.location.assign("/");
      else setProblem(SENTENCE[status] ?? `The sign-in answered ${status}. Try again in a moment.`);
    } catch {
      setProblem("There is no network. Visits already on this device can be opened without signing in again.");
    }
  });
  return (
    <Flex minH="100dvh" align="center" justify="center" px="18px">
      <Box w="340px" maxW="100%">
        <Brand />
        <H1 fontSize="25px" fontWeight="640" mt="18px" mb="16px">
          Sign in
        </H1>
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
          {problem && (
            <Box role="alert" mb="12px">
              <Notice tone="danger">{problem}</Notice>
            </Box>
          )}
          <GoButton type="submit" w="100%" py="11px" disabled={!hydrated || formState.isSubmitting}>
            {formState.isSubmitting ? "Signing in" : "Sign in"}
          </GoButton>
        </Form>
        {first && (
          <Box mt="16px">
            Nobody works here yet.{" "}
            <A href="/begin" color="coralline" textDecoration="underline">
              Begin your business
            </A>
          </Box>
        )}
      </Box>
    </Flex>
  );
}
