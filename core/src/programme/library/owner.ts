import { type Job, job } from "../job.ts";

const owner = { by: "owner" } as const;

/** What the owner does between visits: daily and weekly things, none of them hard. */
export const ownerJobs = {
  "owner-feed": job(
    "Feed a little, two or three times a day",
    "look",
    "every day",
    3,
    "What is eaten in about a minute; what is left rots.",
    { done: "fed a little", ...owner, uses: ["food"], caution: "One person feeds: two are twice the food." },
  ),
  "owner-feed-predators": job(
    "Feed the predators",
    "look",
    "every 3 days, give or take 1 day",
    4,
    "They digest for days; a full one that is fed again fouls the water.",
    {
      done: "fed the predators",
      ...owner,
      uses: ["food"],
      kit: ["feeding tongs"],
      caution: "With tongs: they strike at fingers.",
    },
  ),
  "owner-count": job(
    "Count the animals",
    "look",
    "every day",
    1,
    "One that is missing is found the same day, not by the smell.",
    { done: "counted the animals", ...owner, result: "count" },
  ),
  "owner-look": job(
    "Look and listen for ten minutes",
    "look",
    "every day",
    10,
    "Behaviour, sound and equipment: you see a change before any test does.",
    { done: "looked and listened", ...owner, caution: "A smell, a buzz or a wet floor: hands out, plug off, call us." },
  ),
  "owner-temperature": job("Read the temperature", "look", "every day", 0.5, "A heater or chiller fails overnight.", {
    done: "read the temperature",
    ...owner,
    kit: ["thermometer"],
    result: { test: "temperature" },
  }),
  "owner-top-up": job(
    "Top up what evaporated, with fresh water",
    "verify",
    "every day",
    2,
    "Only water evaporates; what is in it stays and gets stronger.",
    {
      done: "topped up with fresh water",
      ...owner,
      uses: ["purified water"],
      needs: { ownerTopsUp: true },
      caution: "Only to the mark, and never salt water: it would get saltier every day.",
    },
  ),
  "owner-dose": job("Give the daily dose", "dose", "every day", 1, "Small and daily holds what a weekly dose swings.", {
    done: "gave the daily dose",
    ...owner,
    uses: ["the dose as labelled"],
    caution: "Missed one? Do not give two.",
  }),
  "owner-socks": job(
    "Swap the sock or pad",
    "media",
    "every 3 days, give or take 1 day",
    3,
    "It helps against nutrients only if it is swapped about every three days.",
    { done: "swapped the sock or pad", ...owner, uses: ["clean socks"], needs: { unitCalled: "sock" } },
  ),
  "extra-change": job(
    "A small part change between visits",
    "refill",
    "when nitrate is out of band, give or take 2 days",
    15,
    "For an overstocked tank or one with young: what builds up fast is thinned between visits.",
    {
      done: "changed a small part of the water",
      ...owner,
      kit: ["bucket"],
      uses: ["new water as left ready"],
      caution: "A tenth, at the tank's temperature, with the heater off.",
    },
  ),
} as const satisfies Record<string, Job>;
