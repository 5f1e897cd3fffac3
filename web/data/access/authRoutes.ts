/** Routes of the sign-in library that are answered, by verb; every other one of its dozens is not found. */
export const AUTH_ROUTES: Readonly<Record<"GET" | "POST", readonly string[]>> = {
  GET: ["/magic-link/verify"],
  POST: ["/sign-in/email", "/sign-out", "/reset-password", "/change-password"],
};
