import { addDays, civilOf } from "@keel-round/core/calendar";
import { DEFAULT_LIMITS } from "@keel-round/core/given";
import { gaussian, seeded } from "@keel-round/core/numeric";
import { asksFor, kindProgramme, libraryTask } from "@keel-round/core/programme";
import { ruleOf, weeklyOn } from "@keel-round/core/series";
import { kindFacts, systemVolumeL, TANK_KINDS, type TankFacts, type TankKind } from "@keel-round/core/tank";
import { METRIC } from "@keel-round/core/units";
import { addLogin } from "@/data/access/logins";
import { db } from "@/data/database/connection";
import { newId } from "@/data/database/ids";
import { writeEntries } from "@/data/find/entries";
import { windowColumns } from "@/data/library/window";
import { layOut } from "@/data/round/layOut";
import * as t from "@/data/schema";
import { refreshDay } from "@/data/tanks/status";
import { factsOf } from "./stories.ts";

const ZONE = "Europe/London";
const BATCH = 2000;
const TANKS_A_SITE = 3;
const SITES_A_DAY = 8;
export const SCALE_LOGIN = { email: "scale@calder-renn.example", password: "many-tanks-900" };

const FIRST =
  "Alder Anchor Beacon Bellman Brine Cable Capstan Causeway Cooper Curlew Dunlin Ebb Estuary Fathom Ferry Gannet Gull Halyard Harbour Heron Keel Kelp Lantern Mariner Mill Osier Otter Pilot Quay Reed Sail Saltern Sandbar Shingle Slipway Sluice Spar Tern Tide Weir".split(
    " ",
  );
const SECOND =
  "Academy Arcade Arms Bakery Chambers Clinic Court Dental Diner Gallery Hall Hotel House Inn Institute Kitchen Lodge Manor Pavilion Practice Rest School Steps Studio Surgery Terrace Tower Veterinary Villa Works".split(
    " ",
  );
const STREETS = ["Quay Street", "Mill Lane", "Ropewalk", "Orchard Hill", "Chancery Steps", "Slipway Road"];
const TANKS = ["Reef", "Lagoon", "Reception", "Shallows", "Column", "Wall", "Cube", "Meadow", "Foyer", "Nursery"];
const ANIMALS = ["blennies", "tetras", "clownfish", "shrimp", "gobies", "rasboras", "anemones", "snails"];
const siteName = (s: number) => `${FIRST[s % FIRST.length]} ${SECOND[Math.floor(s / FIRST.length) % SECOND.length]}`;

/** A business of many generated tanks with weekly visits, for measuring. Its figures are plain: only their number counts. */
export async function loadScale(
  tanks: number,
  weeks: number,
  slug: string,
): Promise<{ businessId: string; today: string; tankIds: string[] }> {
  const now = new Date();
  const today = civilOf(now.getTime(), ZONE).date;
  const random = seeded(tanks + weeks);
  const businessId = newId();
  const insert = async (table: Parameters<ReturnType<typeof db>["insert"]>[0], rows: object[]) => {
    for (let i = 0; i < rows.length; i += BATCH)
      await db()
        .insert(table)
        .values(rows.slice(i, i + BATCH) as never);
    rows.length = 0;
  };
  await insert(t.organization, [{ id: businessId, name: "Scale", slug, createdAt: now }]);
  await insert(t.business, [
    {
      id: businessId,
      name: "Scale",
      zone: ZONE,
      phone: "555 0100",
      mailFrom: "a@firm.example",
      lat: 50.4,
      lon: -4.7,
      roadFactor: 1.3,
      speedKmH: 30,
      limits: DEFAULT_LIMITS,
    },
  ]);
  const userId = await addLogin(db(), { ...SCALE_LOGIN, name: "Scale", email: slug + SCALE_LOGIN.email }, new Date());
  const [clientId, tapId, people] = [newId(), newId(), [] as string[]];
  const person = (userId: string | null) => {
    const id = newId();
    people.push(id);
    return {
      id,
      businessId,
      userId,
      name: "Technician",
      role: "technician",
      units: METRIC,
      dayStartMinute: 390,
      dayEndMinute: 1020,
      vanKg: 440,
    };
  };
  // One technician for forty sites: eight a day, five days a week.
  const sites = Math.ceil(tanks / TANKS_A_SITE);
  await insert(
    t.person,
    Array.from({ length: Math.ceil(sites / (SITES_A_DAY * 5)) }, (_, i) => person(i === 0 ? userId : null)),
  );
  await insert(t.client, [{ id: clientId, businessId, name: "Client", contact: "House", email: "c@firm.example" }]);
  await insert(t.source, [
    {
      id: tapId,
      businessId,
      name: "Tap",
      facts: {
        kind: "tap",
        chemistry: { nitrate: 5, ph: 7.6, salinity: 35, alkalinity: 8 },
        coldC: 12,
        canWarm: true,
        chloramineFactor: 1,
      },
    },
  ]);

  const rows = {
    site: [] as object[],
    series: [] as object[],
    tank: [] as object[],
    task: [] as object[],
    animal: [] as object[],
    equipment: [] as object[],
    stop: [] as object[],
    visit: [] as object[],
    reading: [] as object[],
    change: [] as object[],
  };
  const tankIds: string[] = [];
  for (let s = 0; s < sites; s++) {
    const [siteId, seriesId, personId] = [newId(), newId(), people[Math.floor(s / (SITES_A_DAY * 5))] ?? ""];
    const offset = Math.floor(s / SITES_A_DAY) % 5;
    rows.site.push({
      id: siteId,
      businessId,
      clientId,
      name: siteName(s),
      address: `${(s % 97) + 1} ${STREETS[s % STREETS.length]}`,
      lat: 50.4 + random() * 0.1,
      lon: -4.7 + random() * 0.1,
      windows: {},
      drain: "sewer",
      access: "",
      setUpMinutes: 5,
      bucketL: 20,
    });
    rows.series.push({
      id: seriesId,
      businessId,
      siteId,
      personId,
      rule: ruleOf(weeklyOn(addDays(today, offset))),
      startOn: addDays(today, offset - 7 * (weeks + 1)),
    });
    const days = Array.from({ length: weeks }, (_, w) => addDays(today, offset - 7 * (weeks - w)));
    const stops = days.map((on) => ({ id: newId(), on }));
    for (const { id, on } of stops)
      rows.stop.push({ id, businessId, siteId, personId, seriesId, originalOn: on, onDate: on });
    for (let k = 0; k < TANKS_A_SITE && tankIds.length < tanks; k++) {
      const kind = TANK_KINDS[tankIds.length % TANK_KINDS.length] as TankKind;
      const tankId = newId();
      tankIds.push(tankId);
      const facts = factsOf(kind, {
        vessel: { shape: "box", lengthM: 1 + random(), widthM: 0.5, heightM: 0.5 },
        levelM: 0.45,
        bed: ["gravel", 0.04],
        rock: [5, 0.2],
        gear: ["heater", "filter"],
        evaporation: 1,
        topUp: "technician",
        landmarks: [{ name: "intake", kind: "intake", heightM: 0.1, airMinutes: 0 }],
      });
      const systemL = systemVolumeL({ id: tankId, name: "", kind, ...facts, animals: [] } as unknown as TankFacts);
      rows.tank.push({
        id: tankId,
        businessId,
        siteId,
        sourceId: tapId,
        topUpSourceId: tapId,
        name: `${TANKS[tankIds.length % TANKS.length]} ${tankIds.length}`,
        kind,
        facts,
      });
      rows.animal.push({
        id: newId(),
        businessId,
        tankId,
        name: ANIMALS[tankIds.length % ANIMALS.length],
        count: 10,
      });
      for (const [name, code] of [
        ["Heater", "heater"],
        ["Filter", "filter"],
      ])
        rows.equipment.push({ id: newId(), businessId, tankId, name, kind: code, installedOn: addDays(today, -400) });
      for (const code of kindProgramme[kind].filter((c) => asksFor(libraryTask(c), facts)))
        rows.task.push({
          id: newId(),
          businessId,
          tankId,
          code,
          everyDays: libraryTask(code).everyDays,
          ...windowColumns(libraryTask(code)),
          lastDoneOn: addDays(today, -Math.floor(random() * libraryTask(code).everyDays)),
        });
      const parameters = kindFacts[kind].bands.slice(0, 3);
      for (const { id: stopId, on } of stops) {
        const visitId = newId();
        const at = new Date(`${on}T09:00:00Z`);
        rows.visit.push({
          id: visitId,
          businessId,
          stopId,
          tankId,
          onDate: on,
          state: "closed",
          startedAt: at,
          closedAt: at,
          minutes: 40,
        });
        for (const b of parameters) {
          const value =
            (Math.max(0, b.idealLow) + b.idealHigh) / 2 +
            gaussian(random) * (b.idealHigh - Math.max(0, b.idealLow)) * 0.1;
          rows.reading.push({
            id: newId(),
            businessId,
            tankId,
            visitId,
            parameter: b.parameter,
            entered: value.toFixed(1),
            unit: "",
            method: "meter",
            value,
            sigma: 0.3,
            takenAt: at,
            onDate: on,
          });
        }
        rows.change.push({
          id: newId(),
          businessId,
          tankId,
          visitId,
          at,
          onDate: on,
          outL: 0.2 * systemL,
          inL: 0.2 * systemL,
          systemL,
          share: 0.2,
          chemistry: { nitrate: 5 },
        });
      }
      if (rows.reading.length > 40_000) await write();
    }
  }
  await write();
  await layOut(businessId, today);
  await writeEntries(db(), businessId, { all: true });
  await refreshDay(businessId, today);
  return { businessId, today, tankIds };

  async function write(): Promise<void> {
    await insert(t.site, rows.site);
    await insert(t.series, rows.series);
    await insert(t.tank, rows.tank);
    await insert(t.task, rows.task);
    await insert(t.animal, rows.animal);
    await insert(t.equipment, rows.equipment);
    await insert(t.stop, rows.stop);
    await insert(t.visit, rows.visit);
    await insert(t.reading, rows.reading);
    await insert(t.waterChange, rows.change);
  }
}
