"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import type { LayProgress } from "@/data/programme/layJobs";
import { Problem, QuietButton } from "@/kit/controls";
import { useHydrated } from "@/kit/useHydrated";

/** Lays the year of the whole firm out anew, with how far it is, and lets it be stopped. */
export function LayOut() {
  const router = useRouter();
  const hydrated = useHydrated();
  const abort = useRef<AbortController | null>(null);
  const [progress, setProgress] = useState<LayProgress | null>(null);
  const [state, setState] = useState<"idle" | "running" | "stopped" | "done">("idle");
  const [error, setError] = useState<string | null>(null);

  const run = async () => {
    const control = new AbortController();
    abort.current = control;
    setState("running");
    setProgress(null);
    setError(null);
    try {
      const answer = await fetch("/api/upkeep", { method: "POST", signal: control.signal });
      if (!answer.ok || !answer.body) throw new Error(`The server answered ${answer.status}.`);
      await eachLine(answer.body, (line) => setProgress(JSON.parse(line) as LayProgress));
      setState("done");
    } catch (reason) {
      setState("stopped");
      if (!control.signal.aborted)
        setError(`It stopped: ${(reason as Error).message} What was laid until then stays; start it again.`);
    }
    router.refresh();
  };
  return (
    <Box>
      <Flex gap="10px" align="center" wrap="wrap">
        {state === "running" ? (
          <QuietButton type="button" onClick={() => abort.current?.abort()}>
            Stop
          </QuietButton>
        ) : (
          <QuietButton type="button" disabled={!hydrated} onClick={run}>
            Lay the year out anew
          </QuietButton>
        )}
        {progress && (
          <Flex gap="8px" align="center" role="status" data-lay={state}>
            <progress value={progress.sites} max={progress.of} aria-label="Sites laid out" />
            <span>
              {progress.sites} of {progress.of} sites, {progress.jobs} jobs, {progress.moved} moved
              {state === "stopped" ? "; stopped" : state === "done" ? "; done" : ""}
            </span>
          </Flex>
        )}
      </Flex>
      <Problem says={error} />
    </Box>
  );
}

/** Reads a stream line by line as it comes. */
async function eachLine(body: ReadableStream<Uint8Array>, take: (line: string) => void): Promise<void> {
  const reader = body.getReader();
  const decoder = new TextDecoder();
  let rest = "";
  for (;;) {
    const { value, done } = await reader.read();
    if (done) return;
    const lines = (rest + decoder.decode(value, { stream: true })).split("\n");
    rest = lines.pop() ?? "";
    for (const line of lines) if (line) take(line);
  }
}
