import { BeginSchema } from "@keel-round/core/desk";
import { defineOpenRoute } from "@/data/access/define";
import { beginBusiness } from "@/data/firm/begin";

export const POST = defineOpenRoute({
  name: "begin",
  why: "Only the office of a business, or whoever comes first to a server without any, is let through.",
  body: BeginSchema,
  run: (scope, begin) => beginBusiness(scope, begin, new Date()),
});
