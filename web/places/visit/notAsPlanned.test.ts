import { expect, test } from "vitest";
import { notAsPlanned } from "./notAsPlanned";

const at = (on: string, clock: string) => {
  const [hours = 0, minutes = 0] = clock.split(":").map(Number);
  return { on, minute: hours * 60 + minutes };
};

test.each([
  ["in its hour", at("2026-11-29", "09:00"), at("2026-11-29", "09:40"), null],
  ["two hours off", at("2026-11-29", "09:00"), at("2026-11-29", "11:00"), null],
  ["later than that", at("2026-11-29", "09:00"), at("2026-11-29", "11:01"), "planned for 09:00, and it is 11:01 now"],
  ["earlier than that", at("2026-11-29", "15:00"), at("2026-11-29", "08:00"), "planned for 15:00, and it is 08:00 now"],
  ["without an hour", { on: "2026-11-29", minute: null }, at("2026-11-29", "23:00"), null],
  [
    "a day early",
    at("2026-11-30", "09:00"),
    at("2026-11-29", "09:00"),
    "planned for tomorrow, and today is 29 November",
  ],
  ["a day late", at("2026-11-28", "09:00"), at("2026-11-29", "09:00"), "planned for yesterday"],
  ["a week early", at("2026-12-06", "09:00"), at("2026-11-29", "09:00"), "planned for Sunday 6 December"],
] as const)("%s", (_, planned, now, says) => {
  const said = notAsPlanned(planned, now);
  if (says === null) expect(said).toBeNull();
  else expect(said).toContain(says);
});
