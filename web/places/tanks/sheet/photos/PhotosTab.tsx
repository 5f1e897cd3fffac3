"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { TankPhoto } from "@/data/photos/photos";
import { Notice, Problem, QuietButton, SubHead } from "@/kit/controls";
import { AddPhoto } from "./AddPhoto";
import { BeforeAfter } from "./BeforeAfter";
import { type AgreeAction, OnePhoto } from "./OnePhoto";
import { ORDERS, type Order, ordered } from "./order";

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
  agree,
}: {
  tankId: string;
  tankName: string;
  photos: readonly TankPhoto[];
  /** Null for who may only look. */
  archive: ArchivePhotoAction | null;
  agree: AgreeAction | null;
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
                <OnePhoto
                  key={p.id}
                  of={p}
                  tankName={tankName}
                  onArchive={archive ? () => put(p.id, true) : null}
                  agree={agree}
                />
              ))}
            </Box>
          </Box>
        </Box>
      ))}
    </Box>
  );
}
