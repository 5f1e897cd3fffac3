import type { FormName, Part } from "./shown";

/** What a form sends beside what is typed. */
export function Hidden({
  part,
  form,
  values = {},
}: {
  part: Part;
  form: FormName;
  values?: Readonly<Record<string, string>>;
}) {
  return Object.entries({ form, tankId: part.page.tankId, ...values }).map(([name, value]) => (
    <input key={name} type="hidden" name={name} value={value} />
  ));
}
