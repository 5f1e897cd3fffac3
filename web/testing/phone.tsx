import "fake-indexeddb/auto";
import type { PlanInput } from "@keel-round/core/given";
import { METRIC, type UnitPreference } from "@keel-round/core/units";
import type { OpBody, VisitBundle } from "@keel-round/core/visit";
import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ReactNode } from "react";
import { vi } from "vitest";
import { writeEntry } from "@/device/entries";
import { setCurrentPerson } from "@/device/person";
import { keepVisits, storeOf } from "@/device/store";
import { type LiveVisit, useVisit } from "@/device/useVisit";
import { inputOf } from "../../core/src/given/sample.fixture.ts";
import { draw } from "./draw";

let visits = 0;

/** A visit as a phone keeps it: of a sample tank, not begun. */
export function bundleOf(input: PlanInput = inputOf(), units: UnitPreference = METRIC): VisitBundle {
  visits += 1;
  return {
    visitId: `visit-${visits}`,
    stopId: "stop",
    on: "2026-11-25",
    siteName: "Ormond house",
    address: "1 Quay Lane",
    access: "",
    clientName: "Mr. and Mrs. Ormond",
    tankName: "rift lake",
    startMinute: null,
    input,
    ops: [],
    units,
  };
}

function Sheet({ visitId, part }: { visitId: string; part: (visit: LiveVisit) => ReactNode }) {
  const load = useVisit(visitId);
  return load.status === "ready" ? <div data-testid="sheet">{part(load.visit)}</div> : null;
}

/**
 * A visit on a phone without a network: the device's own store, log and plan, and the part of the interface that is
 * tried, as a person meets it.
 *
 * @param said What was logged before the part is opened.
 * @param part What to draw of the visit.
 * @param others Visits that the phone holds beside it.
 */
export async function atTheTank(
  bundle: VisitBundle,
  said: readonly OpBody[],
  part: (visit: LiveVisit) => ReactNode,
  others: readonly VisitBundle[] = [],
) {
  vi.stubGlobal("fetch", () => Promise.reject(new TypeError("no network")));
  const person = `person-of-${bundle.visitId}`;
  setCurrentPerson(person);
  await keepVisits(person, [bundle, ...others]);
  for (const body of said) {
    const refusal = await writeEntry(storeOf(person), bundle, body);
    if (refusal) throw new Error(`${body.type} is refused: ${refusal.code}`);
  }
  const user = userEvent.setup();
  draw(<Sheet visitId={bundle.visitId} part={part} />);
  await screen.findByTestId("sheet");
  /** What the phone holds of the visit, as it was written. */
  const logged = async (): Promise<OpBody[]> =>
    (await storeOf(person).ops.where("visitId").equals(bundle.visitId).sortBy("seq")).map((o) => o.body);
  return { user, logged, store: storeOf(person) };
}
