import type { Role } from "@/data/access/scope";

/** What people do, as the firm says it. */
export const ROLE_NAME: Readonly<Record<Role, string>> = {
  office: "office",
  lead: "lead",
  technician: "technician",
  tankOwner: "owner of tanks",
};

/** What each of them may. */
export const ROLE_SAYS: Readonly<Record<Role, string>> = {
  office: "sees and changes everything",
  lead: "sees every round and visit and changes them, but not people, the firm or its files",
  technician: "sees and changes the rounds, visits and tanks they serve",
  tankOwner: "sees their own tanks and letters; comes in by a mailed link",
};
