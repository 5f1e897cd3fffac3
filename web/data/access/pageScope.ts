import { headers } from "next/headers";
import { notFound, redirect } from "next/navigation";
import { cache } from "react";
import { isRecent } from "./anew";
import { Refused } from "./define";
import { type Entered, enteredOf, type Role, type Scope, STAFF } from "./scope";

const EVERYBODY: readonly Role[] = [...STAFF, "tankOwner"];

/** Who asks for the page, asked once however many parts of the page need it. */
const enteredPage = cache(async (): Promise<Entered | null> => enteredOf(await headers()));

/** Who is signed in, with or without the second factor that is asked of them; who is not goes to the sign-in. */
export async function signedIn(): Promise<Entered> {
  const entered = await enteredPage();
  if (!entered) redirect("/sign-in");
  return entered;
}

/** The scope of a page; who is not signed in goes to the sign-in, who may not see it finds nothing. */
export async function pageScope(roles: readonly Role[] = EVERYBODY): Promise<Scope> {
  const { scope, lacksSecondFactor } = await signedIn();
  if (lacksSecondFactor) redirect("/second-factor");
  if (!roles.includes(scope.role)) notFound();
  return scope;
}

/** Whether whoever asks for the page showed who they are within so many minutes. */
export const pageIsRecent = async (minutes: number): Promise<boolean> => isRecent(await signedIn(), minutes);

/** Turns a refusal "not found" of a query into the page that says so. */
export async function orNotFound<T>(load: Promise<T>): Promise<T> {
  try {
    return await load;
  } catch (error) {
    if (error instanceof Refused && error.status === 404) notFound();
    throw error;
  }
}
