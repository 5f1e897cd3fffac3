import type { Message, Value } from "../say/message.ts";
import type { TankFacts } from "../tank/index.ts";

/** A thing to bring, by what it is called, and how much of it or how long. */
export interface KitItem {
  readonly item: string;
  readonly amount?: Value;
  /** It is used up: it does not come back. */
  readonly used?: true;
}

/** What of a tank and a visit a job may depend on. */
export interface JobDay {
  readonly facts: TankFacts;
  /** Tools and what is used up, as the firm has them. */
  readonly kit: readonly string[];
  readonly uses: readonly string[];
  /** Today's sector of the bed. */
  readonly sector: number | undefined;
  /** Litres that leave where the bed is cleaned as the first part of a drain; null where nothing drains. */
  readonly bedL: number | null;
  /** All the water of the tank, L. */
  readonly systemL: number;
  /** Until somebody is here again. */
  readonly daysToNext: number;
  /** Clean media until the next visit; null where the tank has none. */
  readonly media: { readonly pieces: number; readonly onShelf: boolean } | null;
}

/** What a tank's practice, its panes and the visit make of a job: what is not told stays as the job has it. */
export interface Here {
  readonly title?: Message;
  readonly done?: Message;
  readonly kit?: readonly KitItem[];
  readonly caution?: Message;
  readonly craft?: readonly Message[];
  readonly moreMinutes?: number;
  readonly aloneMinutes?: number;
}

/** What one job is on a tank today; it stands beside the job in the library. */
export type HereOf = (day: JobDay) => Here;

/** Kit of which nothing more has to be told. */
export const plain = (...items: readonly string[]): KitItem[] => items.map((item) => ({ item }));
