import type { ComponentProps } from "react";
import { Choice } from "./controls";

/** Which filter a flow was measured at; the return where none is chosen. */
export function FlowOf({
  filters,
  value,
  onChoose,
  ...style
}: {
  filters: readonly { readonly name: string }[];
  value: string;
  onChoose: (name: string) => void;
} & Pick<ComponentProps<typeof Choice>, "mt" | "mb" | "minH">) {
  return (
    <Choice aria-label="Flow of" value={value} onChange={(e) => onChoose(e.target.value)} {...style}>
      <option value="">of the return</option>
      {filters.map(({ name }) => (
        <option key={name} value={name}>
          of {name}
        </option>
      ))}
    </Choice>
  );
}
