import type { PlanInput } from "../given/index.ts";
import type { UnitPreference } from "../units/index.ts";
import type { VisitOp } from "./log.ts";
import type { PhotoSpot } from "./schema.ts";

/** Where a stop is and who lets somebody in. Door codes are not part of it: each look at them is asked for and written down. */
export interface VisitPlace {
  readonly siteId: string;
  readonly lat: number;
  readonly lon: number;
  readonly askFor: string;
  readonly parking: string;
  readonly stairs: number | null;
  readonly hasCodes: boolean;
  readonly phones: readonly { readonly who: string; readonly phone: string }[];
}

/** What became of a step when somebody was last at the tank with it. */
export interface LastTime {
  readonly on: string;
  /** The given name; empty where it came from a file. */
  readonly by: string;
  readonly outcome: "done" | "skipped" | "decided";
  readonly reason?: string;
  readonly dirt?: number;
}

/** The newest picture of one spot of a tank. */
export interface LastPhoto {
  readonly id: string;
  readonly spot: PhotoSpot;
  readonly on: string;
}

/** What a phone needs to plan, do and log one visit without a network. */
export interface VisitBundle {
  readonly visitId: string;
  readonly stopId: string;
  readonly on: string;
  readonly siteName: string;
  readonly address: string;
  readonly access: string;
  readonly clientName: string;
  readonly tankName: string;
  /** Minute of the day that the round gives it; null where it was fetched by itself. */
  readonly startMinute: number | null;
  /** Missing in what an earlier version kept on a phone. */
  readonly place?: VisitPlace;
  /** By step; missing in what an earlier version kept on a phone. */
  readonly lastTime?: Readonly<Record<string, LastTime>>;
  /** The last picture of each spot; missing in what an earlier version kept on a phone. */
  readonly lastPhotos?: readonly LastPhoto[];
  readonly input: PlanInput;
  /** The log as the server knows it. */
  readonly ops: readonly VisitOp[];
  readonly units: UnitPreference;
}
