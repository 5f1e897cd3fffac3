"use client";

import { Box, Flex } from "@chakra-ui/react";
import { type PointerEvent, useState } from "react";
import type { TankPhoto } from "@/data/photos/photos";
import { Choice } from "@/kit/controls";
import { Image, Label } from "@/kit/elements";
import { type PhotoGroup, strip, whenTaken } from "./order";

/** Part of the picture that is the earlier one, at first. */
const MIDDLE = 50;

/** Two pictures of one spot laid over each other, with an edge between them that is moved by pointer or keys. */
export function BeforeAfter({ group, tankName }: { group: PhotoGroup; tankName: string }) {
  const { photos } = group;
  const [beforeId, setBefore] = useState(photos.at(-1)?.id);
  const [afterId, setAfter] = useState(photos[0]?.id);
  const [edge, setEdge] = useState(MIDDLE);
  const before = photos.find((p) => p.id === beforeId) ?? photos.at(-1);
  const after = photos.find((p) => p.id === afterId) ?? photos[0];
  if (!before || !after || before.id === after.id) return null;
  const drag = (e: PointerEvent<HTMLDivElement>) => {
    if (e.buttons === 0 && e.type !== "pointerdown") return;
    const { left, width } = e.currentTarget.getBoundingClientRect();
    if (width > 0) setEdge(Math.round(Math.min(100, Math.max(0, (100 * (e.clientX - left)) / width))));
  };
  return (
    <Box maxW="720px" mb="18px" data-before-after={group.title}>
      <Flex gap="14px" wrap="wrap" mb="8px">
        <Which label="Before" photos={photos} value={before.id} onChoose={setBefore} />
        <Which label="After" photos={photos} value={after.id} onChoose={setAfter} />
      </Flex>
      <Box
        position="relative"
        overflow="hidden"
        cursor="ew-resize"
        touchAction="pan-y"
        onPointerDown={drag}
        onPointerMove={drag}
        style={{ aspectRatio: `${after.width} / ${after.height}` }}
      >
        <Picture of={after} alt={`${tankName} after, ${whenTaken(after, photos)}`} />
        <Picture
          of={before}
          alt={`${tankName} before, ${whenTaken(before, photos)}`}
          clip={`inset(0 ${100 - edge}% 0 0)`}
        />
        <Box position="absolute" top="0" bottom="0" w="3px" bg="sheet" style={{ left: `calc(${edge}% - 1.5px)` }} />
      </Box>
      <Label display="block" mt="6px" fontSize="14px" color="soft">
        Edge between before and after
        <input
          type="range"
          min={0}
          max={100}
          value={edge}
          onChange={(e) => setEdge(Number(e.target.value))}
          aria-valuetext={`${edge} % before`}
          style={{ display: "block", width: "100%", accentColor: "var(--kr-colors-coralline)" }}
        />
      </Label>
      <Months photos={photos} chosen={after.id} onChoose={setAfter} />
    </Box>
  );
}

function Picture({ of, alt, clip }: { of: TankPhoto; alt: string; clip?: string }) {
  return (
    <Image
      src={`/api/photos/${of.id}`}
      alt={alt}
      draggable={false}
      position="absolute"
      inset="0"
      w="100%"
      h="100%"
      objectFit="cover"
      style={clip ? { clipPath: clip } : undefined}
    />
  );
}

function Which({
  label,
  photos,
  value,
  onChoose,
}: {
  label: string;
  photos: readonly TankPhoto[];
  value: string;
  onChoose: (id: string) => void;
}) {
  return (
    <Label fontSize="14px" display="inline-flex" gap="8px" alignItems="center">
      {label}
      <Choice value={value} onChange={(e) => onChoose(e.target.value)} w="auto">
        {photos.map((p) => (
          <option key={p.id} value={p.id}>
            {whenTaken(p, photos)}
          </option>
        ))}
      </Choice>
    </Label>
  );
}

/** The last picture of each month; a press sets it as the later one. */
function Months({
  photos,
  chosen,
  onChoose,
}: {
  photos: readonly TankPhoto[];
  chosen: string;
  onChoose: (id: string) => void;
}) {
  return (
    <Flex gap="6px" mt="8px" overflowX="auto" role="group" aria-label="Month by month">
      {strip(photos).map((p) => (
        <button
          key={p.id}
          type="button"
          aria-pressed={p.id === chosen}
          aria-label={`After: ${whenTaken(p, photos)}`}
          onClick={() => onChoose(p.id)}
          style={{ flex: "0 0 96px", padding: 0, border: 0, background: "none", cursor: "pointer" }}
        >
          <Image
            src={`/api/photos/${p.id}?strip`}
            alt=""
            loading="lazy"
            w="96px"
            h="64px"
            objectFit="cover"
            outline={p.id === chosen ? "3px solid" : undefined}
            outlineColor="coralline"
            outlineOffset="-3px"
          />
        </button>
      ))}
    </Flex>
  );
}
