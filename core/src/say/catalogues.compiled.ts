// Made by tools/messages.mjs. Do not edit.
import type { Sentence } from "./message.ts";

/** The messages of every language beside English, by its language subtag. */
export const CATALOGUES: Readonly<Record<string, Readonly<Record<string, Sentence>> | undefined>> = {};
