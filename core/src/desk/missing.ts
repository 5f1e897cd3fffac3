import { inSentence } from "../text/index.ts";

/** As much of a field as its sentence needs. */
interface Asked {
  readonly label: string;
  readonly type: { readonly kind: string };
}

/**
 * What to do about a field that asks for something and has nothing: one sentence beside it.
 *
 * @example
 * missingSentence({ label: "Address", type: { kind: "text", max: 190 } }); // "Enter the address."
 */
export function missingSentence({ label, type }: Asked): string {
  const name = inSentence(label);
  switch (type.kind) {
    case "choice":
    case "many":
      return `Choose one for “${name}”.`;
    case "link":
      return `Choose the ${name}.`;
    case "yes-no":
      return `Choose yes or no for “${name}”.`;
    case "date":
      return `Enter a date for “${name}”.`;
    case "email":
      return "Enter an e-mail address, such as name@firm.example.";
    case "text":
      return `Enter the ${name}.`;
    default:
      return `Enter a number for “${name}”.`;
  }
}
