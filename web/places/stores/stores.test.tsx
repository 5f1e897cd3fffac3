// @vitest-environment happy-dom
import { METRIC } from "@keel-round/core/units";
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, test } from "vitest";
import type { Proposal } from "@/data/stores/orders";
import { draw } from "@/testing/draw";
import { Ledger, type ShownLine } from "./Ledger";
import { MoveForm } from "./MoveForm";
import { OrderForm } from "./OrderForm";
import { expiresText, lastsText, whyText } from "./words";

afterEach(cleanup);

const vans = [{ id: "v1", name: "Ines Calder" }];
const salt = { id: "i1", unit: "g" as const, packAmount: 20_000, places: { "": 12_500, v1: 300 } };

describe("what is booked by hand", () => {
  test("a count shows what is booked at the place that is chosen; a delivery asks for lot and expiry, and says what a pack holds", async () => {
    const user = userEvent.setup();
    draw(<MoveForm item={salt} vans={vans} units={METRIC} />);
    expect(screen.getByText("Booked: 12.5 kg")).toBeTruthy();
    await user.selectOptions(screen.getByLabelText("Where"), "Ines Calder’s van");
    expect(screen.getByText("Booked: 300 g")).toBeTruthy();
    expect(screen.queryByLabelText("Lot")).toBeNull();
    await user.click(screen.getByRole("button", { name: "Delivery" }));
    expect(screen.getByText("A pack holds 20 kg")).toBeTruthy();
    expect(screen.getByLabelText("Expires on")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Move" }));
    expect(screen.getByLabelText("To")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Throw away" }));
    expect(screen.getByLabelText("Why")).toBeTruthy();
  });
});

describe("the ledger", () => {
  const line = (more: Partial<ShownLine>): ShownLine => ({
    ...{ id: "l", kind: "used", on: "2026-11-26", amount: -340, place: "base", by: "Ines Calder", visitId: null },
    ...{ about: "", byLog: false, takenBack: false },
    ...more,
  });
  test("what a log made leads to its visit and is not taken back here; what somebody booked is; what was taken back stays in sight", () => {
    draw(
      <Ledger
        unit="g"
        units={METRIC}
        lines={[
          line({ id: "a", byLog: true, visitId: "x", about: "Reef, Ilves Dental" }),
          line({ id: "b", kind: "delivered", amount: 20_000 }),
          line({ id: "c", kind: "counted", amount: 1, takenBack: true }),
        ]}
      />,
    );
    expect(screen.getByRole("link", { name: "Reef, Ilves Dental" }).getAttribute("href")).toBe("/visits/x");
    expect(screen.getAllByRole("button").map((b) => b.getAttribute("aria-label"))).toEqual([
      "Take back: came +20\u00a0kg",
    ]);
    expect(screen.getByText("taken back")).toBeTruthy();
  });
});

describe("an order", () => {
  const proposal: Proposal = {
    ...{ supplier: "Harbour Trade", email: "" },
    lines: [
      {
        item: { name: "Reef salt", unit: "g", packAmount: 20_000, minimum: 0, supplier: "Harbour Trade", leadDays: 7 },
        ...{ itemId: "i1", packs: 2, amount: 40_000, why: "runs-out", stock: 900, onOrder: 0 },
      },
    ],
  };
  test("a line is changed in packs and says what that comes to; what is no number is told beside it and not ordered", async () => {
    const user = userEvent.setup();
    draw(<OrderForm proposal={proposal} units={METRIC} />);
    const packs = screen.getByLabelText("Packs of Reef salt");
    expect(screen.getByText("40 kg")).toBeTruthy();
    await user.clear(packs);
    await user.type(packs, "3");
    expect(screen.getByText("60 kg")).toBeTruthy();
    await user.type(packs, "x");
    expect(screen.getByRole("alert").textContent).toBe("Enter a number above 0, or nothing to leave it out.");
    expect(screen.getByRole("button", { name: "Note as ordered" })).toHaveProperty("disabled", true);
    await user.clear(packs);
    expect(screen.getByRole("button", { name: "Note as ordered" })).toHaveProperty("disabled", true);
    await user.type(packs, "1");
    await user.type(screen.getByLabelText(/^Mail the order to/), "a@b.example");
    expect(screen.getByRole("button", { name: "Order" })).toHaveProperty("disabled", false);
  });
});

describe("in words", () => {
  test("how long it lasts", () => {
    const lasts = (low: number | null, middle: number | null, high: number | null) => ({
      low,
      middle,
      high,
      expires: [],
    });
    expect(lastsText(lasts(9, 12, 20), true)).toBe("12 days (9 to 20)");
    expect(lastsText(lasts(30, 50, null), true)).toBe("50 days (30 to over 56)");
    expect(lastsText(lasts(1, 1, 1), true)).toBe("1 day");
    expect(lastsText(lasts(0, 0, 0), true)).toBe("none left");
    expect(lastsText(lasts(40, null, null), true)).toBe("over 8 weeks, 40 days at least");
    expect(lastsText(lasts(null, null, null), true)).toBe("over 8 weeks");
    expect(lastsText(lasts(null, null, null), false)).toBe("no plan takes it");
  });
  test("why it is ordered, and what expires", () => {
    const item = { name: "x", unit: "g" as const, packAmount: null, minimum: 5, supplier: "", leadDays: 7 };
    expect(whyText({ why: "runs-out", item })).toBe("may fall below its minimum before an order of next week comes");
    expect(whyText({ why: "runs-out", item: { ...item, minimum: null } })).toBe(
      "may run out before an order of next week comes",
    );
    expect(expiresText({ lot: "K 3", expiresOn: "2027-01-15", amount: 12 }, "tests", METRIC)).toBe(
      "12 tests of lot K 3 will be left when it expires on 15 January",
    );
  });
});
