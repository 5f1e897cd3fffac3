/** A job that slips a third time: the next visit whatever comes, done less often, the owner's, or out of the programme. */
export const DECISIONS = ["must", "rarer", "owner", "rest"] as const;
export type Decision = (typeof DECISIONS)[number];
