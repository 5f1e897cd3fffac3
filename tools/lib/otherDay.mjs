import { existsSync } from "node:fs";
import { Unable } from "./system.mjs";

const LIBRARIES = ["x86_64-linux-gnu", "aarch64-linux-gnu"].map((of) => `/usr/lib/${of}/faketime/libfaketimeMT.so.1`);

/**
 * The surroundings of a program that is to believe it is another day: Debian's libfaketime before its own clock.
 *
 * @param days Whole days from today on; 0 leaves all as it is.
 */
export function onOtherDay(days, env = process.env) {
  if (days === 0) return env;
  const library = LIBRARIES.find(existsSync);
  if (!library) throw new Unable("Another day takes Debian's faketime: apt-get install faketime");
  return {
    ...env,
    LD_PRELOAD: library,
    FAKETIME: `${days < 0 ? "" : "+"}${days}d`,
    FAKETIME_DONT_FAKE_MONOTONIC: "1",
    KEEL_ROUND_DAYS_AHEAD: String(days),
  };
}
