"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Notice, Problem, QuietButton, TextInput } from "@/kit/controls";
import { Form, Image, Span } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { yearDate } from "@/kit/words";

/** A picture as the sheet shows it. */
export interface PhotoLine {
  readonly id: string;
  readonly onDate: string;
  readonly note: string;
  readonly width: number;
  readonly height: number;
  readonly by: string;
}

export type ArchivePhotoAction = (input: {
  photoId: string;
  archived: boolean;
}) => Promise<{ readonly ok: boolean; readonly message?: string }>;

/** Pictures of the tank from the same place, the newest first, each month told from the one before. */
export function PhotosTab({
  tankId,
  tankName,
  photos,
  archive,
}: {
  tankId: string;
  tankName: string;
  photos: readonly PhotoLine[];
  /** Null for who may only look. */
  archive: ArchivePhotoAction | null;
}) {
  const router = useRouter();
  const [gone, setGone] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const put = async (photoId: string, archived: boolean) => {
    const answer = await archive?.({ photoId, archived });
    if (answer && !answer.ok) return setProblem(answer.message ?? "It could not be done.");
    setGone(archived ? photoId : null);
    router.refresh();
  };
  return (
    <Box>
      {archive && <AddPhoto tankId={tankId} />}
      <Problem says={problem} my="10px" />
      {gone && (
        <Box role="status" my="10px">
          <Notice tone="plain">
            It rests in the archive.
            <QuietButton type="button" py="3px" ml="10px" onClick={() => put(gone, false)}>
              Undo
            </QuietButton>
          </Notice>
        </Box>
      )}
      {photos.length === 0 && (
        <Box color="soft" py="16px" maxW="60ch">
          No picture yet. One a month from the same place, with the lights on, shows what nobody sees from week to week.
        </Box>
      )}
      <Box display="grid" gridTemplateColumns="repeat(auto-fill, minmax(280px, 1fr))" gap="22px" mt="14px">
        {photos.map((p) => (
          <Box key={p.id}>
            <a href={`/api/photos/${p.id}`} target="_blank" rel="noreferrer">
              <Image
                src={`/api/photos/${p.id}?small`}
                alt={`${tankName} on ${yearDate(p.onDate)}${p.note ? `: ${p.note}` : ""}`}
                loading="lazy"
                w="100%"
                display="block"
                borderWidth="1px"
                borderColor="rule"
                style={{ aspectRatio: `${p.width} / ${p.height}` }}
              />
            </a>
            <Flex justify="space-between" align="baseline" gap="10px" pt="6px" fontSize="14px">
              <Span>
                <Span fontWeight="620">{yearDate(p.onDate)}</Span>
                <Span color="soft">, {p.by}</Span>
              </Span>
              {archive && (
                <QuietButton
                  type="button"
                  py="2px"
                  px="8px"
                  fontSize="12.5px"
                  aria-label={`Archive the picture of ${yearDate(p.onDate)}`}
                  onClick={() => put(p.id, true)}
                >
                  archive
                </QuietButton>
              )}
            </Flex>
            {p.note && <Box fontSize="14px">{p.note}</Box>}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** Sends one picture, from the camera of a phone or from a file. */
function AddPhoto({ tankId }: { tankId: string }) {
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
      if (!answer.ok)
        return setProblem(((await answer.json()) as { message?: string }).message ?? "The picture was not taken.");
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
