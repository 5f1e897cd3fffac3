"use client";

import { byText } from "@keel-round/core/text";
import { type VisitBundle, visitState } from "@keel-round/core/visit";
import { liveQuery } from "dexie";
import { useEffect, useState } from "react";
import { mergeLog } from "./entries";
import { currentPerson } from "./person";
import { storeOf } from "./store";

/** A tank of a stop as it stands on this device. */
export interface StopTank {
  readonly visitId: string;
  readonly tankName: string;
  readonly state: "to begin" | "under way" | "closed";
}

/** The tanks of a visit's stop that this device holds, by name; the visit's own among them. */
export function useStop({ stopId, on }: VisitBundle): readonly StopTank[] {
  const [tanks, setTanks] = useState<readonly StopTank[]>([]);
  useEffect(() => {
    const person = currentPerson();
    if (!person) return;
    const subscription = liveQuery(async () => {
      const store = storeOf(person);
      const visits = (await store.visits.where("on").equals(on).toArray()).filter((v) => v.stopId === stopId);
      // Of a stop with one tank nothing is asked: no entry of it is waited for here.
      if (visits.length < 2) return [];
      const ops = await store.ops
        .where("visitId")
        .anyOf(visits.map((v) => v.visitId))
        .toArray();
      return visits
        .map((v): StopTank => {
          const { startedAt, closedAt } = visitState(
            mergeLog(
              v,
              ops.filter((o) => o.visitId === v.visitId),
            ),
          );
          return {
            visitId: v.visitId,
            tankName: v.tankName,
            state: closedAt ? "closed" : startedAt ? "under way" : "to begin",
          };
        })
        .sort((a, b) => byText(a.tankName, b.tankName));
    }).subscribe(setTanks);
    return () => subscription.unsubscribe();
  }, [stopId, on]);
  return tanks;
}
