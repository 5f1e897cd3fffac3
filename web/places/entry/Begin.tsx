"use client";

import { Box, Flex } from "@chakra-ui/react";
import { zodResolver } from "@hookform/resolvers/zod";
import { type Begin as Answers, BeginSchema } from "@keel-round/core/desk";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { forgetDevice } from "@/device/account";
import { signIn } from "@/device/entry";
import { Choice, FieldRow, GoButton, PageTitle, Problem, SubHead, TextInput } from "@/kit/controls";
import { A, Form, H1 } from "@/kit/elements";
import { Brand } from "@/kit/shell/Shell";
import { useHydrated } from "@/kit/useHydrated";

interface Row {
  readonly key: keyof Answers;
  readonly label: string;
  readonly hint?: string;
  readonly type?: "email" | "password" | "tel";
  readonly complete?: string;
}

const FIRM: readonly Row[] = [
  { key: "name", label: "Business", complete: "organization" },
  { key: "phone", label: "Telephone", type: "tel", complete: "tel" },
  { key: "mailFrom", label: "Letters come from", type: "email" },
  { key: "start", label: "Rounds start at", hint: "Latitude, longitude, or the link of a map" },
];
const LOGIN: readonly Row[] = [
  { key: "person", label: "Your name", complete: "name" },
  { key: "email", label: "E-mail", type: "email", complete: "username" },
  { key: "password", label: "Password", type: "password", complete: "new-password", hint: "At least 10 characters" },
];

/** An empty business and the login of who begins it, which the device is signed in with afterwards. */
export function Begin({ first, zones }: { first: boolean; zones: readonly string[] }) {
  const hydrated = useHydrated();
  const [problem, setProblem] = useState<string | null>(null);
  const { register, handleSubmit, formState, setError } = useForm<Answers>({
    resolver: zodResolver(BeginSchema),
    defaultValues: { zone: Intl.DateTimeFormat().resolvedOptions().timeZone },
  });
  const submit = handleSubmit(async (answers) => {
    setProblem(null);
    try {
      const response = await fetch("/api/begin", {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify(answers),
      });
      if (!response.ok) {
        const body = (await response.json()) as { message: string; fields: Partial<Record<keyof Answers, string[]>> };
        const wrong = Object.entries(body.fields) as [keyof Answers, string[]][];
        for (const [key, [message]] of wrong) setError(key, { message: message ?? body.message });
        if (wrong.length === 0) setProblem(body.message);
        return;
      }
      await forgetDevice();
      const { status } = await signIn(answers.email, answers.password);
      window.location.assign(status === 200 ? "/desk/files" : "/sign-in");
    } catch {
      setProblem("There is no network. Nothing was begun; what you typed is still here.");
    }
  });
  const rows = (list: readonly Row[]) =>
    list.map(({ key, label, hint, type = "text", complete = "off" }) => (
      <FieldRow key={key} label={label} error={formState.errors[key]?.message} {...(hint ? { hint } : {})}>
        <TextInput
          type={type}
          autoComplete={complete}
          {...register(key)}
          aria-invalid={formState.errors[key] ? true : undefined}
        />
      </FieldRow>
    ));
  return (
    <Flex minH="100dvh" align="center" justify="center" px="18px" py="24px">
      <Box w="680px" maxW="100%">
        <Brand />
        <PageTitle>Begin a business</PageTitle>
        <H1 fontSize="25px" fontWeight="640" mt="18px" mb="4px">
          Begin a business
        </H1>
        <Box color="soft" maxW="60ch" mb="18px">
          It starts empty: type its facts in, bring lists in, or restore a backup into it.{" "}
          {!first && "It has a login of its own, so that nothing is restored into the wrong one."}
        </Box>
        <Form method="post" onSubmit={submit} noValidate>
          <Flex gap="36px" wrap="wrap">
            <Box flex="1" minW="260px">
              <SubHead>The business</SubHead>
              <Box pt="10px">
                {rows(FIRM)}
                <FieldRow label="Time zone" error={formState.errors.zone?.message}>
                  <Choice {...register("zone")} suppressHydrationWarning>
                    {zones.map((zone) => (
                      <option key={zone}>{zone}</option>
                    ))}
                  </Choice>
                </FieldRow>
              </Box>
            </Box>
            <Box flex="1" minW="260px">
              <SubHead>Who signs in</SubHead>
              <Box pt="10px">{rows(LOGIN)}</Box>
            </Box>
          </Flex>
          <Problem says={problem} mb="12px" />
          <Flex gap="18px" align="center" mt="6px">
            <GoButton type="submit" px="22px" py="11px" disabled={!hydrated || formState.isSubmitting}>
              {formState.isSubmitting ? "Beginning" : "Begin"}
            </GoButton>
            <A href={first ? "/sign-in" : "/desk/files"} color="coralline" textDecoration="underline">
              {first ? "Sign in instead" : "Back to the desk"}
            </A>
          </Flex>
        </Form>
      </Box>
    </Flex>
  );
}
