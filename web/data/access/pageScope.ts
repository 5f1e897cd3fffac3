import { headers } from "next/headers";
import { notFound, redirect } from "next/navigation";
import { cache } from "react";
import { Refused } from "./define";
import { type Role, type Scope, STAFF, scopeOf } from "./scope";

/** The scope of the page's request, asked once however many parts of the page need it. */
const scopeOfPage = cache(async (): Promise<Scope | null> => scopeOf(await headers()));

/** The scope of a page; who is not signed in goes to the sign-in, who may not see it finds nothing. */
export async function pageScope(roles: readonly Role[] = [...STAFF, "tankOwner"]): Promise<Scope> {
  const scope = await scopeOfPage();
  if (!scope) redirect("/sign-in");
  if (!roles.includes(scope.role)) notFound();
  return scope;
}

/** Turns a refusal "not found" of a query into the page that says so. */
export async function orNotFound<T>(load: Promise<T>): Promise<T> {
  try {
    return await load;
  } catch (error) {
    if (error instanceof Refused && error.status === 404) notFound();
    throw error;
  }
}
