"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Problem, QuietButton, TextInput } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";

/** Sends one picture, from the camera of a phone or from a file. */
export function AddPhoto({ tankId }: { tankId: string }) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [note, setNote] = useState("");
  const [sending, setSending] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const send = async (form: HTMLFormElement) => {
    const file = new FormData(form).get("photo") as File | null;
    if (!file || file.size === 0) return setProblem("Choose a picture first.");
    setProblem(null);
    setSending(true);
    try {
      const answer = await fetch(`/api/tanks/${tankId}/photos?note=${encodeURIComponent(note)}`, {
        method: "POST",
        headers: { "content-type": "application/octet-stream" },
        body: file,
      });
      const said = (await answer.json()) as { message?: string };
      if (!answer.ok) return setProblem(said.message ?? "The picture was not taken.");
      form.reset();
      setNote("");
      router.refresh();
    } catch {
      setProblem("There is no network. The picture stays on this device; send it again later.");
    } finally {
      setSending(false);
    }
  };
  return (
    <Form
      method="post"
      onSubmit={(e) => {
        e.preventDefault();
        void send(e.currentTarget);
      }}
    >
      <Flex gap="12px" align="center" wrap="wrap">
        <input type="file" name="photo" accept="image/jpeg,image/png,image/webp" aria-label="Picture" />
        <Box w="260px">
          <TextInput
            aria-label="What it shows"
            placeholder="what it shows"
            maxLength={190}
            value={note}
            onChange={(e) => setNote(e.target.value)}
          />
        </Box>
        <QuietButton type="submit" disabled={!hydrated || sending}>
          {sending ? "Sending" : "Add the picture"}
        </QuietButton>
      </Flex>
      <Problem says={problem} mt="10px" />
    </Form>
  );
}
