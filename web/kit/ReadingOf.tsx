import type { Parameter } from "@keel-round/core/units";
import type { ComponentProps } from "react";
import { Choice } from "./controls";

/** Whose a reading is: the filter of a flow, the return's where none is chosen; the piece of equipment of an hour meter. */
export function ReadingOf({
  parameter,
  filters,
  meters = [],
  value,
  onChoose,
  ...style
}: {
  parameter: Parameter;
  filters: readonly { readonly name: string }[];
  meters?: readonly { readonly name: string }[] | undefined;
  value: string;
  onChoose: (name: string) => void;
} & Pick<ComponentProps<typeof Choice>, "mt" | "mb" | "minH">) {
  const pieces = parameter === "flow" ? filters : parameter === "hours" ? meters : [];
  if (pieces.length === 0) return null;
  return (
    <Choice
      aria-label={parameter === "flow" ? "Flow of" : "Hour meter of"}
      value={value}
      onChange={(e) => onChoose(e.target.value)}
      {...style}
    >
      {parameter === "flow" && <option value="">of the return</option>}
      {pieces.map(({ name }) => (
        <option key={name} value={name}>
          of {name}
        </option>
      ))}
    </Choice>
  );
}
