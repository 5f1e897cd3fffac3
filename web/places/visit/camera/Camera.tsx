"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { PhotoSpot } from "@keel-round/core/visit";
import { useEffect, useRef, useState } from "react";
import { currentPerson } from "@/device/person";
import { ghostOf } from "@/device/photos";
import { scaleFrame } from "@/device/scalePhoto";
import { storeOf } from "@/device/store";
import type { LiveVisit } from "@/device/useVisit";
import { GoButton, Notice, QuietButton } from "@/kit/controls";
import { Dialog, Image, Video } from "@/kit/elements";

/** The picture of a camera; null until it is there, or why there is none. */
type Seen = { readonly stream: MediaStream } | { readonly problem: string } | null;

const NO_CAMERA = "There is no camera here. Choose a picture from this phone instead.";
const REFUSED =
  "The camera is not allowed for this page. Allow it in the browser, or choose a picture from this phone.";

/** The camera with the last picture of the same spot laid over it, so that the next one shows the same. */
export function Camera({
  visit,
  spot,
  name,
  onTaken,
  onClose,
}: {
  visit: LiveVisit;
  spot: PhotoSpot;
  name: string;
  onTaken: (picture: Blob) => Promise<void>;
  onClose: () => void;
}) {
  const sheet = useRef<HTMLDialogElement>(null);
  const video = useRef<HTMLVideoElement>(null);
  const seen = useCamera();
  const ghost = useGhost(visit, spot);
  const [shown, setShown] = useState(true);
  // A camera that is allowed has no picture yet: the button waits for the first one.
  const [ready, setReady] = useState(false);
  const [taking, setTaking] = useState(false);
  const stream = seen && "stream" in seen ? seen.stream : null;
  useEffect(() => sheet.current?.showModal(), []);
  useEffect(() => {
    if (video.current) video.current.srcObject = stream;
  }, [stream]);
  const take = async () => {
    if (!video.current) return;
    setTaking(true);
    await onTaken(await scaleFrame(video.current));
    setTaking(false);
  };
  return (
    <Dialog
      ref={sheet}
      aria-label={`Picture of ${name}`}
      onClose={onClose}
      m="0"
      p="0"
      w="100vw"
      h="100dvh"
      maxW="100vw"
      maxH="100dvh"
      bg="black"
      color="white"
      border="none"
    >
      <Flex direction="column" h="100%">
        <Box position="relative" flex="1" minH="0">
          <Video
            ref={video}
            autoPlay
            onLoadedData={() => setReady(true)}
            playsInline
            muted
            w="100%"
            h="100%"
            objectFit="contain"
            aria-label={`What the camera sees of ${name}`}
          />
          {ghost && shown && (
            <Image
              src={ghost}
              alt="The last picture of the same spot"
              position="absolute"
              inset="0"
              w="100%"
              h="100%"
              objectFit="contain"
              opacity="0.4"
              pointerEvents="none"
              data-ghost=""
            />
          )}
          {seen && "problem" in seen && (
            <Box position="absolute" inset="20px auto auto 20px" right="20px" role="alert">
              <Notice tone="care">{seen.problem}</Notice>
            </Box>
          )}
        </Box>
        <Flex gap="10px" p="12px 18px 18px" wrap="wrap">
          <QuietButton type="button" h="60px" flex="1" onClick={onClose}>
            Leave it
          </QuietButton>
          {ghost && (
            <QuietButton type="button" h="60px" flex="1" aria-pressed={shown} onClick={() => setShown(!shown)}>
              {shown ? "Without the last" : "With the last"}
            </QuietButton>
          )}
          <GoButton type="button" h="60px" flex="2" fontSize="17px" disabled={!ready || taking} onClick={take}>
            Take it
          </GoButton>
        </Flex>
      </Flex>
    </Dialog>
  );
}

/** The camera at the back, for as long as this is shown. */
function useCamera(): Seen {
  const [seen, setSeen] = useState<Seen>(null);
  useEffect(() => {
    let over = false;
    let stream: MediaStream | null = null;
    const open = async () => {
      if (!navigator.mediaDevices?.getUserMedia) return setSeen({ problem: NO_CAMERA });
      try {
        stream = await navigator.mediaDevices.getUserMedia({
          video: { facingMode: "environment", width: { ideal: 1920 } },
          audio: false,
        });
        if (over) for (const track of stream.getTracks()) track.stop();
        else setSeen({ stream });
      } catch (error) {
        if (!(error instanceof DOMException)) throw error;
        setSeen({ problem: error.name === "NotAllowedError" ? REFUSED : NO_CAMERA });
      }
    };
    void open();
    return () => {
      over = true;
      for (const track of stream?.getTracks() ?? []) track.stop();
    };
  }, []);
  return seen;
}

/** The last picture of the spot, as far as this device has it. */
function useGhost({ kept }: LiveVisit, spot: PhotoSpot): string | null {
  const [address, setAddress] = useState<string | null>(null);
  const { kind, id } = spot;
  useEffect(() => {
    let made: string | null = null;
    let over = false;
    const person = currentPerson();
    if (person)
      void ghostOf(storeOf(person), kept, { kind, id }).then((picture) => {
        if (over || !picture) return;
        made = URL.createObjectURL(picture);
        setAddress(made);
      });
    return () => {
      over = true;
      if (made) URL.revokeObjectURL(made);
    };
  }, [kept, kind, id]);
  return address;
}
