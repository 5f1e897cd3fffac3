import type { MergeTask, MergeVisit, Performer, TankTask } from "@keel-round/core/programme";

/** A job of a tank's programme as the editor shows it. */
export interface ProgrammeJob {
  readonly code: string;
  readonly name: string;
  readonly task: TankTask;
  /** In plain words: this tank's, the firm's, the library's; null for a job the firm thought of itself. */
  readonly when: string;
  readonly firmWhen: string;
  readonly libraryWhen: string | null;
  readonly by: Performer;
  readonly firmBy: Performer;
  /** This tank's own, null as the firm has it. */
  readonly minutes: number | null;
  readonly firmMinutes: number;
  /** Where dirt has moved the interval, from what was agreed. */
  readonly learnt: { readonly agreed: number; readonly now: number } | null;
  /** Null where nobody is known to have done it. */
  readonly lastDoneOn: string | null;
  readonly due: string;
  readonly waits: boolean;
  readonly calledBy: string | null;
  readonly slips: number;
  readonly lastSkipReason: string | null;
  readonly reason: string;
  readonly caution: string | null;
}

/** A job of the firm's library that the programme does not have. */
export interface OfferedJob {
  readonly code: string;
  readonly name: string;
  readonly when: string;
  readonly ofKind: boolean;
}

/** The site's visits and long jobs that a preview is laid among. */
export interface Board {
  readonly visits: readonly MergeVisit[];
  readonly tasks: readonly MergeTask[];
}
