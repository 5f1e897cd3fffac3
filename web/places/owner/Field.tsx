import { type FormName, type Part, typedIn, wrongWith } from "./shown";

/** A line of a plain form, with what is wrong beside it. */
export function Field({
  part,
  form,
  name,
  label,
  kept,
  unit,
  type = "text",
  min,
}: {
  part: Part;
  form: FormName;
  name: string;
  label: string;
  kept?: string;
  unit?: string;
  type?: "text" | "date";
  min?: string;
}) {
  const wrong = wrongWith(part, form, name);
  const id = `${form}-${name}`;
  const said = { "aria-invalid": wrong ? true : undefined, "aria-describedby": wrong ? `${id}-wrong` : undefined };
  const input = (
    <input
      id={id}
      name={name}
      type={type}
      defaultValue={typedIn(part, form, name, kept)}
      min={min}
      maxLength={400}
      inputMode={unit ? "decimal" : undefined}
      autoComplete="off"
      {...said}
    />
  );
  return (
    <>
      {unit ? (
        <div className="row">
          <label htmlFor={id}>{label}</label>
          <span className="unit">
            {input} {unit}
          </span>
        </div>
      ) : (
        <label className="field" htmlFor={id}>
          <span>{label}</span>
          {input}
        </label>
      )}
      <Wrong id={`${id}-wrong`} says={wrong} />
    </>
  );
}

/** What is wrong, read out where it appears. */
export function Wrong({ id, says }: { id?: string; says: string | null }) {
  if (!says) return null;
  return (
    <p className="wrong" role="alert" id={id}>
      {says}
    </p>
  );
}
