import { auth } from "@/data/auth";
import { definePublicRoute } from "@/data/define";

const handle = (request: Request): Promise<Response> => auth().handler(request);

export const GET = definePublicRoute("auth.get", "The sign-in library checks origin, session and rate itself.", handle);
export const POST = definePublicRoute(
  "auth.post",
  "The sign-in library checks origin, session and rate itself.",
  (request: Request) => handle(request),
);
