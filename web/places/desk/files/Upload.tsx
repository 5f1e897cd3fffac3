"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { Choice, GoButton, Problem, QuietButton } from "@/kit/controls";
import { Form, Span } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";

/** Sends a file; what is wrong with it is said here, and it can be stopped while it is on its way. */
export function Upload({ kinds }: { kinds: readonly (readonly [kind: string, many: string])[] }) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [kind, setKind] = useState(kinds[0]?.[0] ?? "");
  const [problem, setProblem] = useState<string | null>(null);
  const [sending, setSending] = useState(false);
  const stop = useRef<AbortController>(null);

  const send = async (file: File | null) => {
    if (!file || file.size === 0) return setProblem("Choose a file that is not empty.");
    setProblem(null);
    setSending(true);
    stop.current = new AbortController();
    try {
      const answer = await fetch(`/api/import/${kind}?name=${encodeURIComponent(file.name)}`, {
        method: "POST",
        headers: { "content-type": "application/octet-stream" },
        body: file,
        signal: stop.current.signal,
      });
      const body = (await answer.json()) as { id?: string; message?: string };
      if (answer.ok && body.id) return router.push(`/desk/files/${body.id}`);
      setProblem(body.message ?? "The file was not taken.");
    } catch (error) {
      setProblem((error as Error).name === "AbortError" ? "Stopped. Nothing was kept." : "There is no network.");
    } finally {
      setSending(false);
    }
  };
  return (
    <Form
      method="post"
      pt="10px"
      onSubmit={(e) => {
        e.preventDefault();
        void send(new FormData(e.currentTarget).get("file") as File | null);
      }}
    >
      <Flex gap="12px" align="center" wrap="wrap">
        <Box w="150px">
          <Choice aria-label="What the file holds" value={kind} onChange={(e) => setKind(e.target.value)}>
            {kinds.map(([k, many]) => (
              <option key={k} value={k}>
                {many}
              </option>
            ))}
          </Choice>
        </Box>
        <Span color="soft">from</Span>
        <input
          type="file"
          name="file"
          accept=".csv,.txt,.tsv,.vcf,.geojson,.json,text/csv,text/plain,text/vcard,application/geo+json"
          aria-label="File"
        />
        <GoButton type="submit" disabled={!hydrated || sending}>
          {sending ? "Sending" : "Look at it"}
        </GoButton>
        {sending && (
          <QuietButton type="button" onClick={() => stop.current?.abort()}>
            Stop
          </QuietButton>
        )}
      </Flex>
      <Problem says={problem} mt="12px" />
    </Form>
  );
}
