"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { type AppSetup, beginApp, finishApp, newRecoveryCodes, takeOffApp } from "@/device/entry";
import { FieldRow, Notice, Problem, QuietButton, TextInput } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { QrCode } from "@/kit/QrCode";
import { useEntry } from "./useEntry";

/** An authenticator app as second factor: set up, its recovery codes, and taken off. */
export function AppFactor({ on }: { on: boolean }) {
  const [setup, setSetup] = useState<AppSetup | null>(null);
  const [codes, setCodes] = useState<readonly string[] | null>(null);
  if (codes) return <RecoveryCodes codes={codes} onKept={() => setCodes(null)} />;
  if (setup)
    return (
      <FinishApp
        setup={setup}
        onDone={() => {
          setCodes(setup.backupCodes);
          setSetup(null);
        }}
        onLeave={() => setSetup(null)}
      />
    );
  return on ? <AppIsOn onCodes={setCodes} /> : <BeginApp onSetup={setSetup} />;
}

function BeginApp({ onSetup }: { onSetup: (setup: AppSetup) => void }) {
  const { ask, problem, setProblem, disabled } = useEntry();
  const begin = async (form: HTMLFormElement) => {
    const password = String(new FormData(form).get("password"));
    if (password === "") return setProblem("Enter your password.");
    const said = await ask(() => beginApp(password));
    const { totpURI, backupCodes } = said?.body ?? {};
    if (totpURI && backupCodes) onSetup({ totpURI, backupCodes });
  };
  return (
    <Form
      method="post"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void begin(e.currentTarget);
      }}
    >
      <FieldRow label="Your password">
        <TextInput name="password" type="password" autoComplete="current-password" />
      </FieldRow>
      <Problem says={problem} mb="10px" />
      <QuietButton type="submit" disabled={disabled}>
        Set up an authenticator app
      </QuietButton>
    </Form>
  );
}

/** The secret in the app's address, in groups of four as somebody types it. */
const typedSecret = (uri: string) => (new URL(uri).searchParams.get("secret") ?? "").replaceAll(/(.{4})(?=.)/g, "$1 ");

function FinishApp({ setup, onDone, onLeave }: { setup: AppSetup; onDone: () => void; onLeave: () => void }) {
  const { ask, problem, setProblem, disabled } = useEntry();
  const finish = async (form: HTMLFormElement) => {
    const code = String(new FormData(form).get("code"));
    if (code.trim() === "") return setProblem("Enter the six digits that the app shows.");
    if (await ask(() => finishApp(code))) onDone();
  };
  return (
    <Form
      method="post"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void finish(e.currentTarget);
      }}
    >
      <QrCode says={setup.totpURI} label="Code to scan with your authenticator app" />
      <Box fontSize="14px" color="soft" m="8px 0 12px">
        Scan it with the app, or type this there:
        <Box fontFamily="mono" color="ink" data-secret="">
          {typedSecret(setup.totpURI)}
        </Box>
      </Box>
      <FieldRow label="Code that the app shows now">
        <TextInput name="code" inputMode="numeric" autoComplete="one-time-code" fontFamily="mono" />
      </FieldRow>
      <Problem says={problem} mb="10px" />
      <Flex gap="10px">
        <QuietButton type="submit" disabled={disabled}>
          It is set up
        </QuietButton>
        <QuietButton type="button" onClick={onLeave}>
          Not now
        </QuietButton>
      </Flex>
    </Form>
  );
}

function RecoveryCodes({ codes, onKept }: { codes: readonly string[]; onKept: () => void }) {
  return (
    <Box>
      <Notice tone="care">
        Write these recovery codes down. Each lets you in once without the app, and they are not shown again.
      </Notice>
      <Box fontFamily="mono" fontSize="16px" lineHeight="1.7" p="10px 0" style={{ columns: 2 }} data-recovery="">
        {codes.map((code) => (
          <Box key={code}>{code}</Box>
        ))}
      </Box>
      <QuietButton type="button" onClick={onKept}>
        I have written them down
      </QuietButton>
    </Box>
  );
}

function AppIsOn({ onCodes }: { onCodes: (codes: readonly string[]) => void }) {
  const { ask, problem, setProblem, disabled } = useEntry();
  const [password, setPassword] = useState("");
  const withPassword = async (what: (password: string) => Promise<void>) => {
    if (password === "") return setProblem("Enter your password.");
    await what(password);
  };
  return (
    <Box>
      <Box pb="10px">Your authenticator app is asked for its code whenever you sign in with your password.</Box>
      <FieldRow label="Your password">
        <TextInput
          type="password"
          autoComplete="current-password"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
        />
      </FieldRow>
      <Problem says={problem} mb="10px" />
      <Flex gap="10px" wrap="wrap">
        <QuietButton
          type="button"
          disabled={disabled}
          onClick={() =>
            void withPassword(async (typed) => {
              const said = await ask(() => newRecoveryCodes(typed));
              if (said?.body.backupCodes) onCodes(said.body.backupCodes);
            })
          }
        >
          New recovery codes
        </QuietButton>
        <QuietButton
          type="button"
          disabled={disabled}
          onClick={() =>
            void withPassword(async (typed) => {
              await ask(() => takeOffApp(typed));
            })
          }
        >
          Take the app off
        </QuietButton>
      </Flex>
    </Box>
  );
}
