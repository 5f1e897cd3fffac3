import { answerAuth } from "@/data/access/authAnswer";
import { definePublicRoute } from "@/data/access/define";

export const GET = definePublicRoute(
  "auth.get",
  "Only what is listed is answered; the sign-in library checks session and rate itself.",
  (request: Request) => answerAuth("GET", request),
);
export const POST = definePublicRoute(
  "auth.post",
  "Only what is listed is answered; the sign-in library checks origin, session and rate itself.",
  (request: Request) => answerAuth("POST", request),
);
