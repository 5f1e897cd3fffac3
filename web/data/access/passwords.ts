import { dictionary } from "@zxcvbn-ts/language-common";

/** Lists of passwords that people choose most, as the library ships them. */
const COMMON = new Set((dictionary["passwords-common"] as readonly string[]).map((p) => p.toLowerCase()));

export const TOO_COMMON = "Many people use this password, so it is tried first: choose another one.";

/** Whether a password is among those that are tried first. */
export const isCommon = (password: string): boolean => COMMON.has(password.toLowerCase());
