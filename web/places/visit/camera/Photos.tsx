"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { PhotoSpot } from "@keel-round/core/visit";
import { useEffect, useState } from "react";
import { v7 } from "uuid";
import { currentPerson } from "@/device/person";
import { keepPhoto, PHOTO_TAG } from "@/device/photos";
import { wakeFor } from "@/device/register";
import { scalePhoto } from "@/device/scalePhoto";
import { type QueuedPhoto, storeOf } from "@/device/store";
import type { LiveVisit } from "@/device/useVisit";
import { Problem, QuietButton, WordButton } from "@/kit/controls";
import { Image, Input, Label } from "@/kit/elements";
import { refusalSentence } from "../refusals";
import { Camera } from "./Camera";

const STATE: Record<QueuedPhoto["status"], string> = {
  kept: "waits on this phone",
  sent: "sent",
  refused: "not taken",
};

/** Pictures of one spot: taken with the last one laid over, or chosen from the phone; each can be deleted. */
export function Photos({ visit, spot, name }: { visit: LiveVisit; spot: PhotoSpot; name: string }) {
  const [open, setOpen] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const mine = visit.state.photos.filter((p) => p.spot.kind === spot.kind && p.spot.id === spot.id);
  const keep = async (file: Blob) => {
    const person = currentPerson();
    if (!person) return setError("Sign in to keep pictures.");
    const id = v7();
    setOpen(false);
    try {
      await keepPhoto(storeOf(person), visit.kept, { id, spot, file });
    } catch (reason) {
      // The store of the browser is full, or closed.
      if (!(reason instanceof Error)) throw reason;
      return setError("This phone has no room for the picture. Make room, and take it once more.");
    }
    const refusal = await visit.say({ type: "photo", id, spot });
    setError(refusal ? refusalSentence(refusal) : null);
    void wakeFor(PHOTO_TAG);
  };
  const choose = async (file: File | undefined) => {
    if (!file) return;
    try {
      await keep(await scalePhoto(file));
    } catch (reason) {
      // A file that this browser cannot open as a picture; some phones' own formats are among them.
      if (!(reason instanceof DOMException)) throw reason;
      setError(`${file.name} cannot be opened as a picture here. Choose a JPEG, or take one with the camera.`);
    }
  };
  return (
    <Box mt="10px" data-photos={spot.kind}>
      <Flex gap="8px" wrap="wrap">
        <QuietButton type="button" minH="48px" fontWeight="400" onClick={() => setOpen(true)}>
          Picture of {name}
        </QuietButton>
        <Label
          minH="48px"
          px="10px"
          display="inline-flex"
          alignItems="center"
          cursor="pointer"
          textDecoration="underline"
          fontSize="14.5px"
          _focusWithin={{ outline: "2px solid", outlineColor: "coralline" }}
        >
          from this phone
          <Input
            type="file"
            accept="image/*"
            aria-label={`From this phone: ${name}`}
            position="absolute"
            w="1px"
            h="1px"
            opacity="0"
            onChange={(e) => {
              void choose(e.target.files?.[0]);
              e.target.value = "";
            }}
          />
        </Label>
      </Flex>
      {mine.length > 0 && (
        <Flex gap="10px" mt="8px" wrap="wrap">
          {mine.map((p) => (
            <Taken key={p.id} visit={visit} id={p.id} name={name} />
          ))}
        </Flex>
      )}
      <Problem says={error} />
      {open && <Camera visit={visit} spot={spot} name={name} onTaken={keep} onClose={() => setOpen(false)} />}
    </Box>
  );
}

/** A picture that was taken, with what became of it. */
function Taken({ visit, id, name }: { visit: LiveVisit; id: string; name: string }) {
  const queued = visit.photos.find((p) => p.id === id);
  const address = useAddress(queued?.bytes ?? null);
  const remove = async () => {
    const refusal = await visit.say({ type: "photo-back", id });
    const person = currentPerson();
    if (!refusal && person) await storeOf(person).photos.delete(id);
  };
  return (
    <Box fontSize="13.5px" data-photo={queued?.status ?? "sent"}>
      <Image
        src={address ?? `/api/photos/${id}?small`}
        alt={`${name}, taken now`}
        h="84px"
        minW="60px"
        display="block"
        borderWidth="1px"
        borderColor="ruleStrong"
      />
      <Flex align="center" gap="6px">
        <Box color={queued?.status === "refused" ? "vermilion" : "soft"}>{STATE[queued?.status ?? "sent"]}</Box>
        <WordButton type="button" aria-label={`Delete the picture of ${name}`} onClick={remove}>
          Delete
        </WordButton>
      </Flex>
    </Box>
  );
}

/** An address for bytes of this device, as long as it is shown. */
function useAddress(bytes: ArrayBuffer | null): string | null {
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    if (!bytes) return setAddress(null);
    const made = URL.createObjectURL(new Blob([bytes], { type: "image/jpeg" }));
    setAddress(made);
    return () => URL.revokeObjectURL(made);
  }, [bytes]);
  return address;
}
