// @vitest-environment happy-dom
import "fake-indexeddb/auto";
import type { DayBundle, DayStop } from "@keel-round/core/round";
import { METRIC } from "@keel-round/core/units";
import { cleanup, screen, within } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { writeEntry } from "@/device/entries";
import { setCurrentPerson } from "@/device/person";
import { keepVisits, storeOf } from "@/device/store";
import { draw } from "@/testing/draw";
import { bundleOf } from "@/testing/phone";
import { KeptDay } from "./KeptDay";

const ON = "2026-11-30";

beforeEach(() => vi.useFakeTimers({ toFake: ["Date"] }));
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

/** Stops a hundredth of a degree apart on the way north: 67 s at a kilometre a minute. */
const stop = (id: string, north: number, change: Partial<DayStop> = {}): DayStop => ({
  ...{ id, name: id, lat: 50 + north / 100, lon: 0, window: null, minutes: 60 },
  load: { mixL: 0, seaL: 0, purifiedL: 0, wasteL: 0 },
  ...{ keptLast: false, maySlip: true },
  ...change,
});

const day: DayBundle = {
  ...{ on: ON, zone: "Europe/London", units: METRIC },
  input: {
    stops: [stop("Library", 1), stop("Town Hall", 2), stop("Clinic", 3, { window: { from: 480, to: 780 } })],
    ...{ base: { lat: 50, lon: 0 }, startMinute: 480, endMinute: 720, vanKg: 400, refillAfter: [] },
    roads: { roadFactor: 1, speedKmH: 60 },
  },
  conditions: { Library: "steady", "Town Hall": "steady", Clinic: "drifting" },
};

const visits = day.input.stops.map((s) => ({
  ...bundleOf(),
  ...{ visitId: `visit of ${s.id}`, stopId: s.id, siteName: s.id, on: ON, startMinute: 500 },
  place: {
    ...{ siteId: s.id, lat: s.lat, lon: s.lon, askFor: "", parking: "", stairs: null, hasCodes: false },
    phones: [{ who: `the porter of ${s.id}`, phone: "0 55 01" }],
  },
}));

/** What a person finds on their phone at a minute of that day, without a network. */
async function onThePhone(person: string, now: string, begun: readonly [site: string, at: string][] = []) {
  setCurrentPerson(person);
  await keepVisits(person, visits);
  await storeOf(person).days.put(day);
  for (const [site, at] of begun) {
    vi.setSystemTime(`${ON}T${at}:00Z`);
    const visit = visits.find((v) => v.siteName === site);
    if (visit) await writeEntry(storeOf(person), visit, { type: "start" });
  }
  vi.setSystemTime(`${ON}T${now}:00Z`);
  draw(<KeptDay />);
  return screen.findByRole("link", { name: /Library/ });
}

test("before anything is begun the day stands as its round was laid: home after three hours and the ways", async () => {
  await onThePhone("early", "07:30");
  expect(screen.getByRole("img", { name: "Today: 3 stops, home at 11:07" })).toBeTruthy();
  expect(document.querySelector("[data-way]")).toBeNull();
  expect(screen.getByRole("link", { name: /Town Hall/ }).textContent).toMatch(/09:0\d/);
});

test("a start that was entered without a network moves the day; what has no room is named, with whom to call", async () => {
  // An hour and a half late, and still there: the clinic closes at one.
  const library = await onThePhone("late", "12:10", [["Library", "10:40"]]);
  expect(library.textContent).toMatch(/10:40.*under way/);
  const today = document.querySelector("[data-today-here]") as HTMLElement;
  expect(within(today).getByText("Clinic does not fit into this day any more: they close at 13:00.")).toBeTruthy();
  const ways = [...today.querySelectorAll("[data-way]")].map((w) => w.textContent);
  expect(ways).toHaveLength(2);
  // A steady stop of an hour, and a hundredth of a degree there and back.
  expect(ways.some((w) => /Without Town Hall: home 1\sh\s2\smin earlier/.test(w ?? ""))).toBe(true);
  expect(within(today).getByRole("link", { name: "Call the porter of Clinic" }).getAttribute("href")).toBe("tel:05501");
});

test("another day than today's is not drawn as today's", async () => {
  setCurrentPerson("other");
  await keepVisits("other", visits);
  await storeOf("other").days.put(day);
  vi.setSystemTime("2026-12-01T09:00:00Z");
  draw(<KeptDay />);
  await screen.findByRole("link", { name: /Library/ });
  expect(document.querySelector("[data-today-here]")).toBeNull();
});

test("what an earlier version kept, without a day, is listed as before", async () => {
  setCurrentPerson("earlier");
  await keepVisits("earlier", visits);
  vi.setSystemTime(`${ON}T09:00:00Z`);
  draw(<KeptDay />);
  expect((await screen.findByRole("link", { name: /Library/ })).textContent).toMatch(/08:20/);
  expect(document.querySelector("[data-today-here]")).toBeNull();
});
