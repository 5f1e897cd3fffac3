import { createHash } from "node:crypto";
import type { KeptFacts, TankKind } from "@keel-round/core/tank";
import { frontWidthM, vesselHeightM } from "@keel-round/core/vessel";
import sharp from "sharp";
import { db } from "@/data/database/connection";
import { newId } from "@/data/database/ids";
import { photoStore } from "@/data/photos/store";
import { photo } from "@/data/schema";

const WIDTH = 1200;
const HEIGHT = 800;

/** Water and growth of a kind: three colours each, from back to front. */
const COLOURS: Readonly<Partial<Record<TankKind, readonly [water: string, bed: string, growth: readonly string[]]>>> = {
  planted: ["#27424a", "#4b4334", ["#3f6b3a", "#5a8a45", "#7a4b3f"]],
  shrimp: ["#2c4440", "#3b382f", ["#4c7a4a", "#6f9a57", "#9a3b32"]],
  jellyfish: ["#1b2f52", "#1b2f52", ["#c9d4e6", "#b9c6de", "#d8dfee"]],
  "cool-fresh": ["#47605f", "#8d8878", ["#6f7f5a", "#d9b7b0", "#5d6b52"]],
  "rift-lake": ["#3a5360", "#b8a988", ["#6d6a62", "#86816f", "#c99a3d"]],
};
const SEA = ["#21435f", "#c9bda2", ["#8a3a68", "#b06a4e", "#7d8a4a"]] as const;

/**
 * A picture of a tank from the front, drawn: its glass to scale, its bed, its rock, and growth that rises with `grown`.
 *
 * Deterministic: the same tank and the same stage of growth give the same picture.
 */
function drawnPhoto(kind: TankKind, facts: KeptFacts, grown: number): Buffer {
  const { vessel, runningLevelM, substrateDepthM, rockKg, rockTopM } = facts.display;
  const [water, bed, growth] = COLOURS[kind] ?? SEA;
  const height = vesselHeightM(vessel);
  const width = frontWidthM(vessel, height / 2);
  const scale = Math.min((WIDTH * 0.86) / width, (HEIGHT * 0.78) / height);
  const [left, bottom] = [(WIDTH - width * scale) / 2, HEIGHT * 0.86];
  const y = (m: number) => bottom - m * scale;
  const x = (part: number) => left + part * width * scale;
  const heaps = rockKg > 0 ? [0.28, 0.66] : [];
  const rocks = heaps.map((part, i) => {
    const top = y(rockTopM * (i === 0 ? 1 : 0.7));
    const half = width * scale * (i === 0 ? 0.2 : 0.14);
    return `<path d="M${x(part) - half} ${bottom} C${x(part) - half} ${top + 40}, ${x(part) - half / 2} ${top}, ${x(part)} ${top} S${x(part) + half} ${top + 70}, ${x(part) + half} ${bottom} Z" fill="#4a4650"/>`;
  });
  // Steps by the golden ratio spread the growth without a pattern and without chance.
  const stalks = Array.from({ length: 26 }, (_, i) => {
    const part = 0.06 + 0.88 * ((i * 0.618034) % 1);
    const tall = (0.25 + 0.5 * ((i * 0.414214) % 1)) * (runningLevelM - substrateDepthM) * grown;
    const foot = y(substrateDepthM);
    const bend = 22 * Math.sin(i * 2.4);
    return `<path d="M${x(part)} ${foot} Q${x(part) + bend} ${foot - (tall * scale) / 2} ${x(part) + bend / 2} ${foot - tall * scale}" stroke="${growth[i % growth.length]}" stroke-width="${9 + (i % 4) * 5}" stroke-linecap="round" fill="none" opacity="0.92"/>`;
  });
  return Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}"><rect width="100%" height="100%" fill="#d9d6cf"/><rect y="${bottom}" width="100%" height="${HEIGHT - bottom}" fill="#8b7d6b"/><rect x="${left}" y="${y(height)}" width="${width * scale}" height="${height * scale}" fill="#e9edf0"/><rect x="${left}" y="${y(runningLevelM)}" width="${width * scale}" height="${runningLevelM * scale}" fill="${water}"/>${rocks.join("")}${stalks.join("")}<rect x="${left}" y="${y(substrateDepthM)}" width="${width * scale}" height="${substrateDepthM * scale}" fill="${bed}"/><rect x="${left}" y="${y(height)}" width="${width * scale}" height="${height * scale}" fill="none" stroke="#222824" stroke-width="6"/></svg>`,
  );
}

/** Two pictures a tank, a month apart and from the same place: what grows has grown. */
const SHOTS = [
  { daysAgo: 34, grown: 0.74, note: "" },
  { daysAgo: 6, grown: 1, note: "same place, lights on" },
] as const;
/** The owner of the reef sees it grow over four months. */
const EARLIER = [
  { daysAgo: 98, grown: 0.42, note: "" },
  { daysAgo: 66, grown: 0.58, note: "" },
] as const;

/** Takes the pictures of the tanks of the stories. */
export async function addPhotos(
  businessId: string,
  tanks: readonly {
    readonly tankId: string;
    readonly personId: string;
    readonly kind: TankKind;
    readonly facts: KeptFacts;
  }[],
  now: Date,
  day: (offset: number) => string,
): Promise<void> {
  const shots = tanks.flatMap((tank) =>
    [...(tank.kind === "stony-coral" ? EARLIER : []), ...SHOTS].map((shot) => ({ tank, shot })),
  );
  const rows = await Promise.all(
    shots.map(async ({ tank, shot }) => {
      const { bytes, width, height } = await jpegOf(drawnPhoto(tank.kind, tank.facts, shot.grown));
      const id = newId();
      await photoStore().put(businessId, id, bytes);
      return {
        id,
        businessId,
        tankId: tank.tankId,
        personId: tank.personId,
        onDate: day(-shot.daysAgo),
        at: new Date(now.getTime() - shot.daysAgo * 86_400_000),
        note: shot.note,
        width,
        height,
        bytes: bytes.length,
        sha256: createHash("sha256").update(bytes).digest("hex"),
      };
    }),
  );
  await db().insert(photo).values(rows);
}

/** A drawing of ours as the picture it stands for. */
async function jpegOf(drawing: Uint8Array): Promise<{ bytes: Buffer; width: number; height: number }> {
  const { data, info } = await sharp(drawing).jpeg({ quality: 82 }).toBuffer({ resolveWithObject: true });
  return { bytes: data, width: info.width, height: info.height };
}
