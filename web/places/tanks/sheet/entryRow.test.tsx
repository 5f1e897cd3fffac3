// @vitest-environment happy-dom
import { METRIC } from "@keel-round/core/units";
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { afterEach, describe, expect, test } from "vitest";
import { draw } from "@/testing/draw";
import { factsOf, inputOf, reading } from "../../../../core/src/given/sample.fixture.ts";
import { EntryRow } from "./EntryRow";
import { knownForEntry, usualRow } from "./entry";

afterEach(cleanup);

const before = [8.1, 8.2, 8.3].map((value, i) => ({ ...reading("alkalinity", value), on: `2026-10-0${i + 1}` }));
const known = knownForEntry(inputOf(factsOf("soft-coral"), { readings: before }));

function Row({ today = true }: { today?: boolean }) {
  const [row, setRow] = useState(() => usualRow(known, "alkalinity", METRIC));
  return (
    <EntryRow
      {...{ parameter: "alkalinity", label: "Alkalinity", known, row, units: METRIC, today, wrong: undefined }}
      onType={(change) => setRow({ ...row, ...change })}
    />
  );
}
const field = () => screen.getByLabelText<HTMLInputElement>("Alkalinity");

describe("a figure at the desk", () => {
  test("that does not fit is questioned, and two keys put the slip right", async () => {
    draw(<Row />);
    await userEvent.type(field(), "0.82");
    expect(screen.getByRole("status").textContent).toMatch(/^0\.8\d?.dKH does not fit: about 8\.2.dKH was expected/);
    await userEvent.keyboard("{Tab}{Enter}");
    expect(field().value).toBe("8.2");
    expect(screen.queryByRole("status")).toBeNull();
  });
  test("read in another unit keeps its figure and takes that unit", async () => {
    draw(<Row />);
    await userEvent.type(field(), "2.9");
    await userEvent.click(screen.getByRole("button", { name: /meq\/L/ }));
    expect(field().value).toBe("2.9");
    expect(screen.getByLabelText<HTMLSelectElement>("Unit of Alkalinity").value).toBe("meq/L");
  });
  test("that fits no other way is to be measured again; one of a past day is not held against today", async () => {
    const { unmount } = draw(<Row />);
    await userEvent.type(field(), "14");
    expect(screen.getByRole("status").textContent).toMatch(/Measure it once more before you lean on it\./);
    unmount();
    draw(<Row today={false} />);
    await userEvent.type(field(), "14");
    expect(screen.queryByRole("status")).toBeNull();
  });
});
