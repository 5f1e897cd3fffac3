"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { TankPhoto } from "@/data/photos/photos";
import { Notice, Problem, QuietButton, SubHead, TextInput } from "@/kit/controls";
import { Form, Image, Span } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { yearDate } from "@/kit/words";
import { BeforeAfter } from "./BeforeAfter";
import { ORDERS, type Order, ordered, spotName } from "./order";

export type ArchivePhotoAction = (input: {
  photoId: string;
  archived: boolean;
}) => Promise<{ readonly ok: boolean; readonly message?: string }>;

/** Pictures of the tank, by month or by what they show; two of one spot are laid over each other. */
export function PhotosTab({
  tankId,
  tankName,
  photos,
  archive,
}: {
  tankId: string;
  tankName: string;
  photos: readonly TankPhoto[];
  /** Null for who may only look. */
  archive: ArchivePhotoAction | null;
}) {
  const router = useRouter();
  const [gone, setGone] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [order, setOrder] = useState<Order>("month");
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
      {photos.length > 1 && (
        <Flex gap="6px" role="group" aria-label="Order of the pictures" mt="10px">
          {ORDERS.map((o) => (
            <QuietButton
              key={o}
              type="button"
              aria-pressed={order === o}
              bg={order === o ? "corallineWash" : undefined}
              onClick={() => setOrder(o)}
            >
              {o === "month" ? "By month" : "By what they show"}
            </QuietButton>
          ))}
        </Flex>
      )}
      {ordered(photos, order).map((group) => (
        <Box key={group.key} mt="22px">
          <SubHead>{group.title}</SubHead>
          <Box pt="12px">
            {order === "spot" && <BeforeAfter key={group.key} group={group} tankName={tankName} />}
            <Box display="grid" gridTemplateColumns="repeat(auto-fill, minmax(240px, 1fr))" gap="22px">
              {group.photos.map((p) => (
                <OnePhoto key={p.id} of={p} tankName={tankName} onArchive={archive ? () => put(p.id, true) : null} />
              ))}
            </Box>
          </Box>
        </Box>
      ))}
    </Box>
  );
}

function OnePhoto({
  of: p,
  tankName,
  onArchive,
}: {
  of: TankPhoto;
  tankName: string;
  /** Null for who may only look. */
  onArchive: (() => void) | null;
}) {
  return (
    <Box>
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
        {onArchive && (
          <QuietButton
            type="button"
            py="2px"
            px="8px"
            fontSize="12.5px"
            aria-label={`Archive the picture of ${yearDate(p.onDate)}`}
            onClick={onArchive}
          >
            archive
          </QuietButton>
        )}
      </Flex>
      {p.spot !== "tank" && <Box fontSize="14px">{spotName(p)}</Box>}
      {p.note && p.note !== p.of && <Box fontSize="14px">{p.note}</Box>}
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
