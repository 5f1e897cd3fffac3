/** Routes of the sign-in library that are answered, by verb; every other one of its dozens is not found. */
export const AUTH_ROUTES: Readonly<Record<"GET" | "POST", readonly string[]>> = {
  GET: ["/magic-link/verify", "/passkey/generate-register-options", "/passkey/generate-authenticate-options"],
  POST: [
    "/sign-in/email",
    "/sign-out",
    "/reset-password",
    "/change-password",
    "/two-factor/enable",
    "/two-factor/disable",
    "/two-factor/verify-totp",
    "/two-factor/verify-backup-code",
    "/two-factor/generate-backup-codes",
    "/passkey/verify-registration",
    "/passkey/verify-authentication",
    "/passkey/delete-passkey",
  ],
};
