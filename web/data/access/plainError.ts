import { DrizzleQueryError } from "drizzle-orm";

/**
 * An error as it may be logged: of a statement its text and the server's code, without what people typed.
 *
 * The driver's own message quotes parameters, the server's quotes values.
 */
export function plainError(error: unknown): unknown {
  if (!(error instanceof DrizzleQueryError)) return error;
  const cause = error.cause as { code?: string; errno?: number } | undefined;
  const plain = new Error(`${cause?.code ?? "error"} (${cause?.errno ?? "no number"}) in: ${error.query}`);
  if (error.stack)
    plain.stack = `${plain.message}\n${error.stack
      .split("\n")
      .filter((l) => /^\s+at /.test(l))
      .join("\n")}`;
  return plain;
}
