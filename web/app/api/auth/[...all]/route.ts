import { auth } from "@/data/access/auth";
import { AUTH_ROUTES } from "@/data/access/authRoutes";
import { definePublicRoute } from "@/data/access/define";
import { orBusy, signInGuarded } from "@/data/access/signIn";

/** What our pages ask of the sign-in library. Its other routes do not exist here. */
const answer = (verb: "GET" | "POST") => (request: Request) => {
  const path = new URL(request.url).pathname.replace(/^\/api\/auth/, "");
  if (verb === "POST" && path === "/sign-in/email") return orBusy(() => signInGuarded(request));
  return AUTH_ROUTES[verb].includes(path)
    ? orBusy(() => auth().handler(request))
    : Promise.resolve(
        Response.json(
          { code: "not-found", message: "There is no such page here.", fields: {} },
          { status: 404, headers: { "content-type": "application/problem+json", "cache-control": "no-store" } },
        ),
      );
};

export const GET = definePublicRoute(
  "auth.get",
  "Only what is listed is answered; the sign-in library checks session and rate itself.",
  answer("GET"),
);
export const POST = definePublicRoute(
  "auth.post",
  "Only what is listed is answered; the sign-in library checks origin, session and rate itself.",
  answer("POST"),
);
