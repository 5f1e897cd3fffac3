"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { answered, askAgainIf } from "@/kit/answered";
import { FieldRow, Notice, QuietButton, TextInput } from "@/kit/controls";
import { A, Form } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { dayLabel } from "@/kit/words";
import { undoArchiveAction } from "./actions";

/** The archive that was brought in and can still be taken back. */
export interface LastArchive {
  readonly id: string;
  readonly on: string;
  readonly by: string;
  readonly counts: Readonly<Record<string, number>>;
}

/** Brings a backup in and takes it back: how far it is, and what came of it. */
function useArchive() {
  const router = useRouter();
  const [said, setSaid] = useState<{ text: string; wrong: boolean } | null>(null);
  /** How much of it has left, 0 to 1; null while nothing is sent. */
  const [sent, setSent] = useState<number | null>(null);
  const stop = useRef<AbortController>(null);
  const bringIn = async (file: File | null, passphrase: string) => {
    if (!file || file.size === 0) return setSaid({ text: "Choose a backup first.", wrong: true });
    setSent(0);
    setSaid(null);
    stop.current = new AbortController();
    try {
      const { ok, body } = await sendFile(file, passphrase, stop.current.signal, setSent);
      askAgainIf(body.code);
      if (ok) router.refresh();
      setSaid(
        ok
          ? { text: `Restored: ${body.counts?.tank ?? 0} tanks at ${body.counts?.site ?? 0} sites.`, wrong: false }
          : { text: body.message ?? "The archive was not taken.", wrong: true },
      );
    } catch (error) {
      const stopped = (error as Error).name === "AbortError";
      setSaid({ text: stopped ? "Stopped. Nothing was kept." : "There is no network.", wrong: !stopped });
    } finally {
      setSent(null);
    }
  };
  const takeBack = async (id: string) => {
    const answer = await answered(undoArchiveAction({ id }));
    const text = answer.ok ? "Taken back. The business is as empty as before." : answer.message;
    setSaid({ text, wrong: !answer.ok });
    router.refresh();
  };
  return { said, sent, bringIn, takeBack, stop: () => stop.current?.abort() };
}

type Archive = ReturnType<typeof useArchive>;

/** The business as one file: out under a passphrase for the door codes, in where a business is still empty. */
export function Everything({ last }: { last: LastArchive | null }) {
  const archive = useArchive();
  const [passphrase, setPassphrase] = useState("");
  const { said } = archive;
  return (
    <Box pt="10px">
      <Out passphrase={passphrase} onPassphrase={setPassphrase} />
      <In archive={archive} passphrase={passphrase} />
      {last && (
        <Flex gap="12px" align="baseline" wrap="wrap" mt="12px" fontSize="14px">
          <span>
            Restored on {dayLabel(last.on)} by {last.by}: {last.counts.tank ?? 0} tanks.
          </span>
          <QuietButton
            type="button"
            py="3px"
            disabled={archive.sent !== null}
            onClick={() => void archive.takeBack(last.id)}
          >
            Take it back
          </QuietButton>
        </Flex>
      )}
      {said && (
        <Box mt="10px" role={said.wrong ? "alert" : "status"}>
          <Notice tone={said.wrong ? "danger" : "plain"}>{said.text}</Notice>
        </Box>
      )}
      <Box color="soft" fontSize="13.5px" mt="10px">
        One JSON file with everything but who may sign in, the photos and a checksum too, after{" "}
        <A href="/archive.schema.json" color="coralline" textDecoration="underline">
          its schema
        </A>
        . It is restored into an empty business, whole and unaltered or not at all:{" "}
        <A href="/begin" color="coralline" textDecoration="underline">
          begin an empty business
        </A>
        .
      </Box>
    </Box>
  );
}

function Out({ passphrase, onPassphrase }: { passphrase: string; onPassphrase: (typed: string) => void }) {
  return (
    <Form action="/api/archive/export" method="post">
      <Flex gap="12px" align="flex-end" wrap="wrap">
        <Box w="230px">
          <FieldRow label="Passphrase for the door codes" hint="Without one they stay here.">
            <TextInput
              name="passphrase"
              type="password"
              autoComplete="off"
              value={passphrase}
              onChange={(e) => onPassphrase(e.target.value)}
            />
          </FieldRow>
        </Box>
        <Box mb="34px">
          <QuietButton type="submit">Back up everything</QuietButton>
        </Box>
      </Flex>
    </Form>
  );
}

function In({ archive: { sent, bringIn, stop }, passphrase }: { archive: Archive; passphrase: string }) {
  const hydrated = useHydrated();
  const at = sent !== null && sent < 1 ? `Sending, ${Math.floor(sent * 100)} %` : "Checking and writing";
  return (
    <Form
      method="post"
      onSubmit={(e) => {
        e.preventDefault();
        void bringIn(new FormData(e.currentTarget).get("archive") as File | null, passphrase);
      }}
    >
      <Flex gap="12px" align="center" wrap="wrap">
        <input type="file" name="archive" accept=".json,application/json" aria-label="Backup" />
        <QuietButton type="submit" disabled={!hydrated || sent !== null}>
          {sent === null ? "Restore a backup" : at}
        </QuietButton>
        {sent !== null && (
          <QuietButton type="button" onClick={stop}>
            Stop
          </QuietButton>
        )}
      </Flex>
    </Form>
  );
}

interface Answer {
  readonly ok: boolean;
  readonly body: { readonly counts?: Record<string, number>; readonly code?: string; readonly message?: string };
}

/** Sends a backup and tells how much of it has left, 0 to 1: what fetch does not say. */
function sendFile(
  file: File,
  passphrase: string,
  signal: AbortSignal,
  onSent: (part: number) => void,
): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open("POST", "/api/archive");
    request.setRequestHeader("content-type", "application/json");
    request.setRequestHeader("x-passphrase", encodeURIComponent(passphrase));
    request.upload.onprogress = (e) => onSent(e.lengthComputable ? e.loaded / e.total : 0);
    request.onload = () =>
      resolve({ ok: request.status < 400, body: JSON.parse(request.responseText) as Answer["body"] });
    request.onerror = () => reject(new Error("No network"));
    request.onabort = () => reject(new DOMException("Stopped", "AbortError"));
    signal.addEventListener("abort", () => request.abort());
    request.send(file);
  });
}
