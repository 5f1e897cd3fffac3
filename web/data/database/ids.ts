import { v7 } from "uuid";

/** A new UUIDv7. */
export const newId = (): string => v7();
