/** Routes of the sign-in library that are answered, by verb; every other one of its dozens is not found. */
export const AUTH_ROUTES: Readonly<Record<"GET" | "POST", readonly string[]>> = {
  GET: [],
  POST: ["/sign-in/email", "/sign-out"],
};
