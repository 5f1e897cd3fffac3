// @vitest-environment happy-dom
import { METRIC } from "@keel-round/core/units";
import { type Board, type Settled, settle, weekOf } from "@keel-round/core/weeks";
import { cleanup, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, test } from "vitest";
import { draw } from "@/testing/draw";
import { boardOf, MONDAY, stopOf } from "../../../core/src/weeks/board.fixture.ts";
import { AwayPanel } from "./AwayPanel";
import { DayList } from "./DayList";
import { SettlePanel } from "./SettlePanel";
import { Tell, Waiting } from "./Tell";
import type { Absence } from "./useBoard";
import { refillKey } from "./useSettle";

afterEach(cleanup);

const days = weekOf(MONDAY);

function settled(of: Board): Settled {
  let last: Settled | null = null;
  for (const told of settle(of, { days, locked: [], seed: 1, tries: 60 })) last = told;
  return last as Settled;
}

describe("a settled round", () => {
  const heavy = boardOf(Array.from({ length: 10 }, (_, i) => stopOf(`Tank ${i}`)));

  test("shows each move with its reason and what it comes to; one that is not wanted is not accepted", async () => {
    const told = settled(heavy);
    const accepted: string[][] = [];
    const refused = new Set([[...told.moves.keys()][0] ?? ""]);
    draw(
      <SettlePanel
        settling={{ of: heavy, days, told, tries: 60, running: false }}
        refused={refused}
        units={METRIC}
        busy={false}
        whole
        onToggle={() => {}}
        onStop={() => {}}
        onAccept={(moves) => accepted.push([...moves.keys()])}
        onLeave={() => {}}
      />,
    );
    expect(screen.getByText(`Settling would move ${told.moves.size} stops.`)).toBeTruthy();
    expect(document.querySelectorAll("[data-move]").length).toBe(told.moves.size);
    const row = screen.getByText("Past the end of the day").closest("tr") as HTMLElement;
    expect(
      within(row)
        .getAllByRole("cell")
        .map((c) => c.textContent),
    ).toEqual(["1\u00a0h\u00a030\u00a0min", "0\u00a0min"]);
    await userEvent.click(screen.getByRole("button", { name: /^Accept \d+ moves?$/ }));
    expect(accepted).toEqual([[...told.moves.keys()].slice(1)]);
  });
  test("shows where a day goes back to base, why and for what; what is wanted of it is accepted", async () => {
    const load = { mixL: 200, seaL: 0, purifiedL: 0, wasteL: 0 };
    const windows = { 1: { from: 480, to: 1020 } };
    const of = boardOf([stopOf("Diner", { load, windows }), stopOf("Museum", { load, windows })]);
    const told = settled({ ...of, people: of.people.slice(0, 1) });
    const accepted: unknown[] = [];
    const panel = (refused: ReadonlySet<string>) => (
      <SettlePanel
        settling={{ of, days, told, tries: 60, running: false }}
        refused={refused}
        units={METRIC}
        busy={false}
        whole
        onToggle={() => {}}
        onStop={() => {}}
        onAccept={(moves, _, refills) => accepted.push([moves.size, refills.length])}
        onLeave={() => {}}
      />
    );
    const { unmount } = draw(panel(new Set()));
    expect(screen.getByText("Settling would go back to base once to refill.")).toBeTruthy();
    const row = document.querySelector("[data-refill]") as HTMLElement;
    expect(row.textContent).toMatch(/then back to base to refill, Mon 30 Nov, Ines/);
    expect(row.textContent).toMatch(/carries 205\skg less at once/);
    await userEvent.click(screen.getByRole("button", { name: "Accept 1 refill" }));
    expect(accepted).toEqual([[0, 1]]);
    unmount();
    draw(panel(new Set(told.refills.map(refillKey))));
    expect((screen.getByRole("button", { name: "Accept" }) as HTMLButtonElement).disabled).toBe(true);
  });
  test("that is still looked for can be stopped, and says how far it is", async () => {
    let stopped = 0;
    draw(
      <SettlePanel
        settling={{ of: heavy, days, told: null, tries: 60, running: true }}
        refused={new Set()}
        units={METRIC}
        busy={false}
        whole
        onToggle={() => {}}
        onStop={() => stopped++}
        onAccept={() => {}}
        onLeave={() => {}}
      />,
    );
    expect(screen.getByText(/0 of 60 tries/)).toBeTruthy();
    expect((screen.getByRole("button", { name: "Accept" }) as HTMLButtonElement).disabled).toBe(true);
    await userEvent.click(screen.getByRole("button", { name: "Stop and keep the best" }));
    expect(stopped).toBe(1);
  });
  test("of which nothing could be made better says so, and why what does not fit stays", () => {
    const tight = boardOf([stopOf("Clinic", { windows: { 1: { from: 480, to: 500 } }, needs: ["salt"] })]);
    draw(
      <SettlePanel
        settling={{ of: tight, days, told: settled(tight), tries: 60, running: false }}
        refused={new Set()}
        units={METRIC}
        busy={false}
        whole
        onToggle={() => {}}
        onStop={() => {}}
        onAccept={() => {}}
        onLeave={() => {}}
      />,
    );
    expect(screen.getByText("Nothing better was found: the round is settled.")).toBeTruthy();
    expect(document.querySelector('[data-stays="Clinic"]')?.textContent).toContain(
      "The work takes longer than they are open.",
    );
  });
});

describe("somebody is away", () => {
  const of = boardOf([stopOf("Library", { needs: ["fresh"] }), stopOf("Reef", { needs: ["salt"], on: MONDAY })]);
  function away() {
    const noted: { absence: Absence; moves: [string, unknown][] }[] = [];
    draw(
      <AwayPanel
        board={of}
        days={days}
        today={MONDAY}
        units={METRIC}
        busy={false}
        mayClose
        onNote={(absence, moves) => noted.push({ absence, moves: [...moves] })}
        onLeave={() => {}}
      />,
    );
    return noted;
  }

  test("says what becomes of each stop before anything is noted, and notes it with its reason", async () => {
    const noted = away();
    expect(screen.getByText("2 stops cannot be done as planned.")).toBeTruthy();
    expect(document.querySelector('[data-offer="Library"]')?.textContent).toContain("the same day, by Tobiah");
    expect(document.querySelector('[data-offer="Reef"]')?.textContent).toContain("Tue 1 Dec, by Ines");
    const note = screen.getByRole("button", { name: "Note absence and 2 moves" }) as HTMLButtonElement;
    expect(note.disabled).toBe(true);
    await userEvent.type(screen.getByLabelText("Why"), "ill");
    await userEvent.click(note);
    expect(noted).toEqual([
      {
        absence: { personIds: ["ines"], siteId: null, fromOn: MONDAY, untilOn: MONDAY, why: "ill" },
        moves: [
          ["Library", { personId: "tobiah", on: MONDAY }],
          ["Reef", { personId: "ines", on: "2026-12-01" }],
        ],
      },
    ]);
  });
  test("a move that is not wanted is left where it stands", async () => {
    const noted = away();
    await userEvent.type(screen.getByLabelText("Why"), "ill");
    await userEvent.click(within(document.querySelector('[data-offer="Reef"]') as HTMLElement).getByRole("checkbox"));
    await userEvent.click(screen.getByRole("button", { name: "Note absence and 1 move" }));
    expect(noted[0]?.moves.map(([id]) => id)).toEqual(["Library"]);
  });
  test("a site that is closed has its own stops offered other days, and says why they go", async () => {
    const noted = away();
    await userEvent.selectOptions(screen.getByLabelText("Who or what"), "Reef");
    expect([...document.querySelectorAll("[data-offer]")].map((o) => o.getAttribute("data-offer"))).toEqual(["Reef"]);
    await userEvent.type(screen.getByLabelText("Why"), "a works outing");
    await userEvent.click(screen.getByRole("button", { name: /^Note absence and 1 move$/ }));
    expect(noted[0]).toMatchObject({ absence: { personIds: [], siteId: "site-Reef", why: "a works outing" } });
    // Not on the day on which it is closed.
    expect(noted[0]?.moves[0]?.[1]).not.toMatchObject({ on: MONDAY });
  });
  test("everybody away leaves no day of these: what is open is named", async () => {
    away();
    await userEvent.selectOptions(screen.getByLabelText("Who or what"), "everybody");
    const last = screen.getByLabelText("Last day");
    await userEvent.clear(last);
    await userEvent.type(last, "2026-12-06");
    expect(document.querySelector('[data-offer="Reef"]')?.textContent).toContain("stays open");
    expect(screen.getByRole("button", { name: "Note absence" })).toBeTruthy();
  });
});

describe("messages to owners", () => {
  const drafts = [
    { changeId: "a", kind: "moved" as const, client: "Ormond", email: "o@ormond.example", text: "Hello Mr. Ormond" },
    { changeId: "b", kind: "moved" as const, client: "Quince", email: "", text: "Hello" },
    { changeId: "c", kind: "correction" as const, client: "Vale", email: "v@vale.example", text: "Hello Vale" },
  ];
  const sent: unknown[] = [];
  const tell = (answer: string | null = null) =>
    draw(
      <Tell
        drafts={drafts}
        busy={false}
        onSend={async (accepted) => {
          sent.push(accepted);
          return answer;
        }}
      />,
    );

  test("nothing is sent before it is said so; one without an address is rung", async () => {
    tell();
    expect(screen.getByText("3 owners to be told; nothing has been sent")).toBeTruthy();
    expect(screen.getByText("has no mail address: ring them")).toBeTruthy();
    expect(screen.getByRole("button", { name: "Send 2 messages" })).toBeTruthy();
  });
  test("a text that was changed goes out as it was changed, one that was left out does not", async () => {
    tell();
    const text = screen.getByLabelText("Message to Ormond");
    await userEvent.clear(text);
    await userEvent.type(text, "See you on Friday.");
    await userEvent.click(screen.getByRole("checkbox", { name: /Vale/ }));
    await userEvent.click(screen.getByRole("button", { name: "Send 1 message" }));
    expect(sent.at(-1)).toEqual([{ changeId: "a", kind: "moved", text: "See you on Friday." }]);
  });
  test("what stands in the way is said, and what was typed stays", async () => {
    tell("The message to Ormond is on its way already.");
    await userEvent.type(screen.getByLabelText("Message to Ormond"), "!");
    await userEvent.click(screen.getByRole("button", { name: "Send 2 messages" }));
    expect(await screen.findByText("The message to Ormond is on its way already.")).toBeTruthy();
    expect((screen.getByLabelText("Message to Ormond") as HTMLTextAreaElement).value).toBe("Hello Mr. Ormond!");
  });
  test("one that waits is taken back; one that was sent or failed says so", async () => {
    const back: string[] = [];
    const at = new Date("2026-11-30T10:05:00Z");
    const line = { client: "Ormond", email: "o@ormond.example", text: "Hello\n\nFriday", leavesAt: at, sentAt: null };
    draw(
      <Waiting
        zone="UTC"
        busy={false}
        notices={[
          { ...line, id: "1", sendError: null },
          { ...line, id: "2", client: "Vale", sentAt: at, sendError: null },
          { ...line, id: "3", client: "Quince", sendError: "no mail server" },
        ]}
        onTakeBack={async (id) => {
          back.push(id);
          return null;
        }}
      />,
    );
    expect(screen.getByText(/leaves 30 Nov, 10:05/)).toBeTruthy();
    expect(screen.getByText(/sent 30 Nov, 10:05/)).toBeTruthy();
    expect(screen.getByText("not sent yet: no mail server")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Take back the message to Ormond" }));
    expect(back).toEqual(["1"]);
    expect(screen.queryByRole("button", { name: "Take back the message to Vale" })).toBeNull();
  });
});

test("on a phone each day tells what it goes beyond, and a tap chooses a stop", async () => {
  const long = boardOf([stopOf("Old Brewery", { minutes: 600 })]);
  const chosen: string[] = [];
  draw(
    <DayList
      board={long}
      rows={[{ id: "r", personId: "ines", label: "Ines", under: "", days }]}
      today={MONDAY}
      units={METRIC}
      chosen={[]}
      onChoose={(id) => chosen.push(id)}
    />,
  );
  expect(screen.getByText(/1 h 30 min past the end of the day\./)).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: /^Old Brewery/ }));
  expect(chosen).toEqual(["Old Brewery"]);
});
