import { fit, pieces, wordsOf } from "@keel-round/core/find";
import { byName, byText } from "@keel-round/core/text";
import { and, desc, eq, gte, inArray, like, lt, ne, or } from "drizzle-orm";
import type { Scope } from "../access/scope";
import { clientsInSight, inSight } from "../access/sight";
import { db } from "../database/connection";
import { findEntry, findVocabulary, findWord, visit } from "../schema";
import type { Found } from "./entries";

/** One thing that was found, the best first. */
export interface Hit {
  readonly entity: Found | "visit";
  readonly id: string;
  readonly title: string;
  readonly detail: string;
  /** Where it is shown. */
  readonly href: string;
}

const MOST_HITS = 12;
/** Of them letters, where there is something else. */
const MOST_LETTERS = 3;
const isLetter = (key: string): boolean => key.startsWith("letter:");
/** Known words that are tried for one that was asked. */
const MOST_WORDS = 60;
/** Entries that are looked at for the rarest of the asked words. */
const MOST_ENTRIES = 3000;

interface Fitting {
  readonly word: string;
  readonly fit: number;
}

/** Known words that fit an asked one, the best first. */
async function fittingWords(businessId: string, asked: string): Promise<Fitting[]> {
  const { begins, within } = pieces(asked);
  const rows = await db()
    .select({ word: findVocabulary.word })
    .from(findVocabulary)
    .where(
      and(
        eq(findVocabulary.businessId, businessId),
        or(like(findVocabulary.word, `${begins}%`), ...within.map((piece) => like(findVocabulary.word, `%${piece}%`))),
      ),
    );
  return rows
    .map(({ word }) => ({ word, fit: fit(asked, word) }))
    .filter((f) => f.fit > 0)
    .sort((a, b) => b.fit - a.fit || byText(a.word, b.word))
    .slice(0, MOST_WORDS);
}

const HREF: Readonly<Record<Found, (id: string) => string>> = {
  client: (id) => `/desk/client/${id}`,
  site: (id) => `/desk/site/${id}`,
  tank: (id) => `/tanks/${id}`,
  animal: (id) => `/desk/animal/${id}`,
  equipment: (id) => `/desk/equipment/${id}`,
  letter: (id) => `/letters/${id}`,
};
/** What an owner of tanks may open. */
const OWNERS: readonly Found[] = ["tank", "letter"];

/** A slight lean where two things fit alike: tanks are what a technician looks for. */
const LEAN: Readonly<Record<Found, number>> = {
  tank: 1.06,
  site: 1.04,
  client: 1.02,
  letter: 1,
  equipment: 1,
  animal: 1,
};

/**
 * Finds clients, sites, tanks, animals, equipment, letters and visits by words in any order, with or without accents.
 *
 * Every asked word must fit. An owner of tanks finds only what is theirs.
 */
export async function find(scope: Scope, text: string, today: string): Promise<Hit[]> {
  const asked = wordsOf(text).slice(0, 6);
  if (asked.length === 0) return [];
  const fits = await Promise.all(asked.map((word) => fittingWords(scope.businessId, word)));
  if (fits.some((f) => f.length === 0)) return [];
  const scores = await scoreEntries(scope, fits);
  const clients = await clientsInSight(scope);
  // Who sees a part of the business only may have their best hits far down.
  const most = clients === null ? 4 * MOST_HITS : MOST_ENTRIES;
  const ranked = [...scores].sort(([, a], [, b]) => b - a);
  // A year of letters names its tank in each: they are ranked apart, and leave room for what they are about.
  const best = [
    ...ranked.filter(([key]) => !isLetter(key)).slice(0, most),
    ...ranked.filter(([key]) => isLetter(key)).slice(0, most),
  ];
  if (best.length === 0) return [];
  const entries = await db()
    .select()
    .from(findEntry)
    .where(
      and(
        eq(findEntry.businessId, scope.businessId),
        inArray(
          findEntry.entityId,
          best.map(([key]) => key.slice(key.indexOf(":") + 1)),
        ),
        inSight(findEntry.clientId, clients),
      ),
    );
  const sorted = entries
    .filter((e) => scope.role !== "tankOwner" || OWNERS.includes(e.entity))
    .map((e) => ({ e, score: (scores.get(`${e.entity}:${e.entityId}`) ?? 0) * LEAN[e.entity] }))
    .sort((a, b) => b.score - a.score || byName(a.e.title, b.e.title));
  const letters = sorted.filter(({ e }) => e.entity === "letter");
  const others = sorted.filter(({ e }) => e.entity !== "letter").slice(0, MOST_HITS);
  const room = Math.max(MOST_HITS - others.length, Math.min(MOST_LETTERS, letters.length));
  const shown = new Set([...others.slice(0, MOST_HITS - Math.min(room, letters.length)), ...letters.slice(0, room)]);
  const hits = sorted
    .filter((hit) => shown.has(hit))
    .map(({ e }) => ({
      entity: e.entity,
      id: e.entityId,
      title: e.title,
      detail: e.detail,
      href: HREF[e.entity](e.entityId),
    }));
  return withVisits(scope, hits, today);
}

/** Entries that hold a fitting word for every asked one, with how well they fit. The rarest word is asked first. */
async function scoreEntries(scope: Scope, fits: readonly Fitting[][]): Promise<Map<string, number>> {
  const byRarity = [...fits].sort((a, b) => a.length - b.length);
  let scores: Map<string, number> | null = null;
  for (const words of byRarity) {
    const quality = new Map(words.map((w) => [w.word, w.fit]));
    const known: string[] | null = scores ? [...scores.keys()].map((key) => key.slice(key.indexOf(":") + 1)) : null;
    const rows = await db()
      .select({ word: findWord.word, entity: findWord.entity, id: findWord.entityId, weight: findWord.weight })
      .from(findWord)
      .where(
        and(
          eq(findWord.businessId, scope.businessId),
          inArray(findWord.word, [...quality.keys()]),
          known ? inArray(findWord.entityId, known) : undefined,
        ),
      )
      .orderBy(desc(findWord.weight))
      .limit(MOST_ENTRIES);
    const next = new Map<string, number>();
    for (const r of rows) {
      const key = `${r.entity}:${r.id}`;
      const before = scores ? scores.get(key) : 0;
      if (before === undefined) continue;
      // The best fitting of its words counts, by where it stands.
      const score = before + (quality.get(r.word) ?? 0) * (1 + r.weight);
      next.set(key, Math.max(next.get(key) ?? 0, score));
    }
    scores = next;
    if (scores.size === 0) break;
  }
  return scores ?? new Map();
}

/** The next and the last visit of the tanks that fit best stand under them. */
async function withVisits(scope: Scope, hits: readonly Hit[], today: string): Promise<Hit[]> {
  const tanks = hits.filter((h) => h.entity === "tank").slice(0, 2);
  if (tanks.length === 0 || scope.role === "tankOwner") return [...hits];
  const around = await Promise.all(
    tanks.map(async ({ id }) => {
      const of = and(eq(visit.businessId, scope.businessId), eq(visit.tankId, id), ne(visit.state, "off"));
      const pick = { id: visit.id, stopId: visit.stopId, on: visit.onDate, state: visit.state };
      const [[next], [last]] = await Promise.all([
        db()
          .select(pick)
          .from(visit)
          .where(and(of, gte(visit.onDate, today)))
          .orderBy(visit.onDate)
          .limit(1),
        db()
          .select(pick)
          .from(visit)
          .where(and(of, lt(visit.onDate, today)))
          .orderBy(desc(visit.onDate))
          .limit(1),
      ]);
      return [next, last].filter((v) => v !== undefined);
    }),
  );
  return hits.flatMap((hit) => {
    const at = tanks.indexOf(hit);
    if (at < 0) return [hit];
    return [
      hit,
      ...(around[at] ?? []).map((v) => ({
        entity: "visit" as const,
        id: v.id,
        title: v.on,
        detail: v.on >= today ? "visit planned" : v.state === "closed" ? "visit done" : "visit not closed",
        href: `/stops/${v.stopId}`,
      })),
    ];
  });
}
