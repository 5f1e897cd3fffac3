import { z } from "zod";
import type { Refused } from "@/data/access/refused";
import type { Scope } from "@/data/access/scope";
import type { When } from "@/data/access/when";
import { DaySchema, saveDay } from "@/data/owner/days";
import { loadOwnerPage } from "@/data/owner/page";
import { AnswerSchema, answerProposal } from "@/data/owner/proposals";
import { ToldSchema, tellFirm } from "@/data/owner/told";
import { AskDaySchema, askForDay } from "@/data/series/dayRequests";
import { ownerHeaders, plainAnswer } from "./headers";
import { ownerMarkup } from "./OwnerPage";
import { FORMS, type FormName, type Rejected, type Said } from "./shown";

const tankId = z.uuid("Reload the page and try again.");

/** What the owner's page sends: one of its forms. */
export const OwnerFormSchema = z.discriminatedUnion(
  "form",
  [
    DaySchema.extend({ form: z.literal("list") }),
    ToldSchema.extend({ form: z.literal("told"), picture: z.instanceof(Uint8Array).nullable() }),
    AskDaySchema.extend({ form: z.literal("day"), tankId }),
    AnswerSchema.extend({ form: z.literal("proposal"), tankId }),
  ],
  "Reload the page and try again.",
);

/** The fields of a form as they were sent; a picture as its bytes. */
export async function readOwnerForm(form: FormData): Promise<unknown> {
  const texts = [...form.entries()].filter(([name, value]) => name !== "done" && typeof value === "string");
  const file = form.get("picture");
  return {
    ...Object.fromEntries(texts),
    done: form.getAll("done"),
    picture: file instanceof File && file.size > 0 ? new Uint8Array(await file.arrayBuffer()) : null,
  };
}

/** Does what a form asks for. */
export async function takeOwnerForm(scope: Scope, input: z.infer<typeof OwnerFormSchema>, when: When): Promise<Said> {
  switch (input.form) {
    case "list":
      await saveDay(scope, input, when);
      return "list";
    case "told":
      return (await tellFirm(scope, input, input.picture, when)).urgent ? "told-urgent" : "told";
    case "day":
      await askForDay(scope, input, when);
      return "day";
    case "proposal":
      await answerProposal(scope, input, when);
      return input.answer;
  }
}

/** The page as it stands; with what was sent and refused in its fields. */
export async function ownerResponse(
  scope: Scope,
  tankId: string,
  when: When,
  { said = null, rejected = null }: { said?: Said | null; rejected?: Rejected | null },
): Promise<Response> {
  const page = await loadOwnerPage(scope, tankId, when);
  const html = await ownerMarkup({ page, units: scope.units, said, rejected }, scope.zone);
  return new Response(html, { status: rejected ? 422 : 200, headers: ownerHeaders });
}

/** The page once more after a refusal: nothing that was typed is lost. */
export async function rejectedResponse(
  { status, message, fields }: Refused,
  scope: Scope | null,
  form: FormData | null,
  when: (scope: Scope) => When,
): Promise<Response> {
  const name = FORMS.find((f) => f === form?.get("form"));
  const tank = z.uuid().safeParse(form?.get("tankId"));
  if (status === 401) return plainAnswer(401, "You are signed out. Ask for a new link, then send it again.");
  if (!scope || !form || !name || !tank.success) return plainAnswer(status, message);
  const typed = Object.fromEntries([...form.entries()].flatMap(([k, v]) => (typeof v === "string" ? [[k, v]] : [])));
  const done = form.getAll("done").map(String);
  return ownerResponse(scope, tank.data, when(scope), { rejected: { form: name, message, fields, typed, done } });
}

/** Where on the page a form stands. */
export const anchorOf: Readonly<Record<Said, FormName>> = {
  ...{ list: "list", told: "told", "told-urgent": "told", day: "day" },
  ...{ agreed: "proposal", declined: "proposal" },
};
