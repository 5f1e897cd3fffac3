"use server";

import { defineAction } from "@/data/access/define";
import { whenOf } from "@/data/access/when";
import { makeClient, NewClientSchema } from "@/data/desk/newClient";

/** Makes a client with a site, a tank and recurring visits, all of it or nothing. */
export const makeClientAction = defineAction({
  name: "desk.new-client",
  roles: ["office"],
  input: NewClientSchema,
  foreign: (ids) => ({
    client: { name: "x", contact: "x", email: "x@nowhere.example", phone: "" },
    site: { address: "x", lat: 50, lon: 0, windows: { "1": { from: 480, to: 600 } }, access: "" },
    tank: {
      ...{
        name: "x",
        kind: "community" as const,
        water: { make: "tap" as const },
        sump: false,
        startedOn: "2026-01-01",
      },
      vessel: { shape: "box" as const, lengthM: 1, widthM: 0.5, heightM: 0.5 },
    },
    visits: {
      rhythm: { kind: "weeks" as const, every: 1, weekdays: [1] },
      fromOn: "2099-01-05",
      personId: ids.personId,
    },
  }),
  run: (scope, input) => makeClient(scope, input, whenOf(scope)),
});
