import type { LetterReading } from "@keel-round/core/letter";
import { stripPlaces } from "./bandStrip";
import { INK, TONE } from "./ink";

/** Where a reading lies against what is right for its tank, in markup without a theme. */
export function Strip({
  reading,
  width = 200,
}: {
  reading: Pick<LetterReading, "band" | "value" | "standing" | "note"> & Partial<Pick<LetterReading, "before">>;
  width?: number;
}) {
  const at = stripPlaces(reading);
  const x = (place: number) => 4 + place * (width - 8);
  return (
    <svg width={width} height="18" role="img" aria-label={reading.note}>
      <line x1="4" x2={width - 4} y1="9" y2="9" stroke={INK.ruleStrong} />
      <rect x={x(at.low)} y="4" width={Math.max(2, x(at.high) - x(at.low))} height="10" fill={INK.band} />
      {at.before !== null && <circle cx={x(at.before)} cy="9" r="3.6" fill={INK.sheet} stroke={INK.faint} />}
      <circle cx={x(at.now)} cy="9" r="4.6" fill={TONE[reading.standing]} />
    </svg>
  );
}
