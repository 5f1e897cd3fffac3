import { DrizzleQueryError } from "drizzle-orm";
import { expect, test } from "vitest";
import { plainError } from "./plainError";

test("an error of a statement is logged without what people typed", () => {
  const cause = Object.assign(new Error("Duplicate entry 'Dr. Ilves' for key 'x'"), {
    code: "ER_DUP_ENTRY",
    errno: 1062,
  });
  const error = new DrizzleQueryError("insert into `client` (`name`) values (?)", ["Dr. Ilves"], cause);
  const plain = plainError(error) as Error;
  expect(`${plain.message} ${plain.stack} ${JSON.stringify(plain)} ${String(plain.cause)}`).not.toContain("Ilves");
  expect(plain.message).toBe("ER_DUP_ENTRY (1062) in: insert into `client` (`name`) values (?)");
  expect(plain.stack).toContain("plainError.test");
});

test("any other error is as it was", () => {
  const error = new TypeError("x is not a function");
  expect(plainError(error)).toBe(error);
});
