import { BeginSchema } from "@keel-round/core/book";
import { beginBusiness } from "@/data/begin";
import { defineOpenRoute } from "@/data/define";

export const POST = defineOpenRoute({
  name: "begin",
  why: "Only the office of a business, or whoever comes first to a server without any, is let through.",
  body: BeginSchema,
  run: (scope, begin) => beginBusiness(scope, begin, new Date()),
});
