// @vitest-environment happy-dom
import { usualValues, type Values } from "@keel-round/core/desk";
import { METRIC } from "@keel-round/core/units";
import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, test } from "vitest";
import { draw } from "@/testing/draw";
import { RecordForm, type RecordFormProps } from "./RecordForm";
import type { SaveAnswer } from "./useRecordForm";

afterEach(() => {
  cleanup();
  localStorage.clear();
});

const values: Values = { name: "Ilves Dental", phone: "555 0104" };
const saved = (version = 2): SaveAnswer => ({
  ok: true,
  value: { kind: "saved", id: "client-1", version, batchId: "batch-1" },
});

/** The form of a client, and what it sent; each press gets the next answer, kept back until it is let go. */
function form(answers: (SaveAnswer | "lost")[], props: Partial<RecordFormProps> = {}) {
  const sent: { id: string | null; version: number; values: Values; confirmed: readonly string[] }[] = [];
  const letGo: (() => void)[] = [];
  const drawn = draw(
    <RecordForm
      entity="client"
      record={{ id: "client-1", version: 1 }}
      values={values}
      options={{}}
      names={{}}
      units={METRIC}
      madeAt="/desk/clients/"
      save={(input) => {
        sent.push(input);
        const answer = answers[sent.length - 1] ?? "lost";
        return new Promise((resolve, reject) => {
          letGo.push(() => (answer === "lost" ? reject(new TypeError("Failed to fetch")) : resolve(answer)));
        });
      }}
      undo={() => Promise.resolve({ ok: true })}
      {...props}
    />,
  );
  const answer = async () => {
    await waitFor(() => expect(letGo).toHaveLength(1));
    letGo.shift()?.();
  };
  return { ...drawn, sent, answer };
}
const save = () => screen.getByRole("button", { name: "Save" }) as HTMLButtonElement;
const phone = () => screen.getByLabelText("Phone") as HTMLInputElement;

describe("a form over a record", () => {
  test("sends what was typed over, and nothing else; it says that it is saved", async () => {
    const { sent, answer, went } = form([saved()]);
    await userEvent.clear(phone());
    await userEvent.type(phone(), "555 0199");
    expect(screen.getByText("1 not saved yet")).toBeTruthy();
    await userEvent.click(save());
    await answer();
    expect(await screen.findByText("Saved.")).toBeTruthy();
    expect(sent).toEqual([
      { entity: "client", id: "client-1", version: 1, values: { phone: "555 0199" }, confirmed: [] },
    ]);
    expect(went).toEqual(["refresh"]);
    expect(localStorage.length).toBe(0);
  });

  test("takes no second press while the first is under way, from the press on", async () => {
    const { sent, answer } = form([saved()]);
    await userEvent.type(phone(), "9");
    const button = save();
    fireEvent.click(button);
    expect(button.disabled).toBe(true);
    expect(phone().closest("fieldset")?.disabled).toBe(true);
    fireEvent.click(button);
    await answer();
    expect(await screen.findByText("Saved.")).toBeTruthy();
    expect(sent).toHaveLength(1);
  });

  test("that is not answered says so, keeps what was typed, and can be sent again", async () => {
    const { sent, answer } = form(["lost", saved()]);
    await userEvent.type(phone(), "9");
    await userEvent.click(save());
    await answer();
    expect(await screen.findByText(/^The server did not answer/)).toBeTruthy();
    expect(phone().value).toBe("555 01049");
    await userEvent.click(save());
    await answer();
    expect(await screen.findByText("Saved.")).toBeTruthy();
    expect(sent.map((s) => s.values)).toEqual([{ phone: "555 01049" }, { phone: "555 01049" }]);
  });

  test("shows beside its field what the server refuses, and lets go of it once it is mended", async () => {
    const message = "This does not fit.";
    const { answer } = form([{ ok: false, code: "invalid", message, fields: { phone: ["Too many digits."] } }]);
    await userEvent.type(phone(), "9");
    await userEvent.click(save());
    await answer();
    expect(await screen.findByText(message)).toBeTruthy();
    const beside = document.getElementById("phone-error") as HTMLElement;
    expect(beside.textContent).toBe("Too many digits.");
    expect(phone().getAttribute("aria-invalid")).toBe("true");
    await userEvent.type(phone(), "{Backspace}");
    expect(document.getElementById("phone-error")).toBeNull();
  });

  test("does not send what cannot be read, and says where", async () => {
    const { sent } = form([]);
    await userEvent.clear(screen.getByLabelText("Name"));
    await userEvent.click(save());
    expect(await screen.findByText("Mend what is marked below, then save again.")).toBeTruthy();
    expect(document.getElementById("name-error")?.textContent).toBeTruthy();
    expect(sent).toEqual([]);
    expect(save().disabled).toBe(false);
  });

  test("that comes too late shows both, and saves mine over it only when told to", async () => {
    const theirs = { phone: "555 0111", name: "Ilves Dental Clinic" };
    const stale: SaveAnswer = {
      ok: true,
      value: { kind: "stale", stale: { version: 4, by: "Maud Renn", at: new Date(0), theirs } },
    };
    const { sent, answer } = form([stale, saved(5)]);
    await userEvent.type(phone(), "9");
    await userEvent.click(save());
    await answer();
    expect(await screen.findByText(/^Maud Renn saved this after you opened it/)).toBeTruthy();
    const row = screen.getByText("555 0111").closest("tr") as HTMLElement;
    expect(
      within(row)
        .getAllByRole("cell")
        .map((c) => c.textContent),
    ).toEqual(["Phone", "555 0111", "555 01049", "Take theirs"]);
    await userEvent.click(screen.getByRole("button", { name: "Save mine over it" }));
    await answer();
    expect(await screen.findByText("Saved.")).toBeTruthy();
    expect(sent[1]).toMatchObject({ version: 4, values: { phone: "555 01049" } });
  });

  test("closed half typed is open again with what was typed, and names the version that was typed over", async () => {
    const first = form([]);
    await userEvent.type(phone(), "9");
    first.unmount();
    const { sent, answer } = form([saved()], { record: { id: "client-1", version: 3 } });
    expect(await screen.findByText(/^What you typed before is still here/)).toBeTruthy();
    expect(phone().value).toBe("555 01049");
    await userEvent.click(save());
    await answer();
    expect(sent[0]?.version).toBe(1);
  });

  test("of a new record sends all of it and opens what was made", async () => {
    const { sent, answer, went } = form([saved(1)], { record: null, values: usualValues("client") });
    for (const [label, typed] of [
      ["Name", "Harbour Diner"],
      ["Contact", "Aud Ness"],
      ["E-mail", "aud@diner.example"],
    ] as const)
      await userEvent.type(screen.getByLabelText(label), typed);
    await userEvent.selectOptions(screen.getByLabelText("Letters"), "none");
    await userEvent.click(screen.getByRole("button", { name: "Make this client" }));
    await answer();
    await waitFor(() => expect(went).toEqual(["/desk/clients/client-1"]));
    expect(sent[0]).toMatchObject({ id: null, values: { name: "Harbour Diner" } });
    expect(Object.keys(sent[0]?.values ?? {}).length).toBeGreaterThan(1);
  });

  test("holds what is assumed until it is confirmed or typed over", async () => {
    const { sent, answer } = form([saved()], { assumed: ["phone", "name"] });
    await userEvent.click(screen.getByRole("button", { name: "Phone is assumed: 555 0104. Confirm it." }));
    await userEvent.click(screen.getByRole("button", { name: "Confirm all 1 that are assumed" }));
    expect(screen.getByText("2 not saved yet")).toBeTruthy();
    await userEvent.click(save());
    await answer();
    expect([...(sent[0]?.confirmed ?? [])].sort()).toEqual(["name", "phone"]);
  });

  test("says what is usual where this differs, and takes it over", async () => {
    const { container } = form([], { usual: { phone: "555 0100" }, usualOf: "The firm" });
    expect(container.textContent).toContain("The firm: 555 0100");
    await userEvent.click(screen.getByRole("button", { name: "Phone as the firm has it" }));
    expect(phone().value).toBe("555 0100");
  });

  test("that may only be looked at sends nothing and has no button for it", () => {
    form([], { readOnly: true });
    expect(screen.queryByRole("button", { name: "Save" })).toBeNull();
    expect(phone().closest("fieldset")?.disabled).toBe(true);
  });
});
