/** What the server says to a request before the sign-in. */
export interface Said {
  readonly status: number;
  readonly code: string;
  readonly message: string;
}

/** An answer with what else it says. */
export interface SaidWith<T> extends Said {
  readonly body: Partial<T>;
}

async function ask<T>(path: string, init?: RequestInit): Promise<SaidWith<T>> {
  const response = await fetch(path, init);
  // An answer of something between us and the server may be no JSON.
  const said = (await response.json().catch(() => null)) as (Partial<T> & { code?: string; message?: string }) | null;
  return {
    status: response.status,
    code: said?.code ?? "",
    message: said?.message ?? `The server answered ${response.status}. Try again in a moment.`,
    body: said ?? {},
  };
}

const post = <T = object>(path: string, body: object): Promise<SaidWith<T>> =>
  ask<T>(path, { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(body) });

/** Signs in by the sign-in library's own route. It may ask for a second factor then. */
export const signIn = (email: string, password: string) =>
  post<{ twoFactorRedirect: boolean }>("/api/auth/sign-in/email", { email, password });

/** Codes of an app have six digits; everything else is a recovery code. */
const APP_CODE = /^\d{6}$/;

/** Enters the code that a sign-in asks for: of an authenticator app, or one of the recovery codes. */
export function enterCode(typed: string): Promise<Said> {
  const code = typed.replaceAll(/\s/g, "");
  return post(`/api/auth/two-factor/${APP_CODE.test(code) ? "verify-totp" : "verify-backup-code"}`, { code });
}

/** Sets a password by the token of a mailed link. */
export const resetPassword = (token: string, newPassword: string): Promise<Said> =>
  post("/api/auth/reset-password", { token, newPassword });

/** Changes the password of whoever is signed in, and ends their other sign-ins. */
export const changePassword = (currentPassword: string, newPassword: string): Promise<Said> =>
  post("/api/auth/change-password", { currentPassword, newPassword, revokeOtherSessions: true });

/** Asks for a way in by mail. */
export const askForEntry = (email: string): Promise<Said> => post("/api/enter", { email });

/** Shows anew who sits there, within the sign-in there is. */
export const proveAnew = (password: string, code: string) =>
  post<{ fields: Readonly<Record<string, readonly string[]>> }>("/api/prove", { password, code });

/** What an authenticator app is set up with. */
export interface AppSetup {
  readonly totpURI: string;
  readonly backupCodes: readonly string[];
}

/** Begins to set up an authenticator app; it counts once a code of it was entered. */
export const beginApp = (password: string) =>
  post<AppSetup>("/api/auth/two-factor/enable", { password, method: "totp" });

/** Ends setting up an authenticator app, by a code of it. */
export const finishApp = (typed: string): Promise<Said> =>
  post("/api/auth/two-factor/verify-totp", { code: typed.replaceAll(/\s/g, "") });

/** Takes the authenticator app off. */
export const takeOffApp = (password: string): Promise<Said> => post("/api/auth/two-factor/disable", { password });

/** Makes recovery codes anew; the ones before open nothing any more. */
export const newRecoveryCodes = (password: string) =>
  post<Pick<AppSetup, "backupCodes">>("/api/auth/two-factor/generate-backup-codes", { password });

/** Takes a passkey off. */
export const takeOffPasskey = (id: string): Promise<Said> => post("/api/auth/passkey/delete-passkey", { id });

/** Whether this browser can hold or use passkeys. */
export const hasPasskeys = (): boolean => typeof PublicKeyCredential === "function";

const CANCELLED: Said = {
  status: 0,
  code: "cancelled",
  message: "No passkey was used. Try again, or use your password.",
};

/** What the device itself says no with: whoever sits there put its question away, or it has no key for this address. */
const isRefusal = (error: unknown): boolean =>
  error instanceof Error &&
  ["NotAllowedError", "AbortError", "InvalidStateError", "SecurityError"].includes(error.name);

/** Signs in with a passkey of this device or of a password safe. */
export async function signInByPasskey(): Promise<Said> {
  const { startAuthentication } = await import("@simplewebauthn/browser");
  const options = await ask("/api/auth/passkey/generate-authenticate-options");
  if (options.status !== 200) return options;
  try {
    const response = await startAuthentication({ optionsJSON: options.body as never });
    return await post("/api/auth/passkey/verify-authentication", { response });
  } catch (error) {
    if (isRefusal(error)) return CANCELLED;
    throw error;
  }
}

/** Makes a passkey on this device or in a password safe, under a name. */
export async function addPasskey(name: string): Promise<Said> {
  const { startRegistration } = await import("@simplewebauthn/browser");
  const options = await ask("/api/auth/passkey/generate-register-options");
  if (options.status !== 200) return options;
  try {
    const response = await startRegistration({ optionsJSON: options.body as never });
    return await post("/api/auth/passkey/verify-registration", { response, name });
  } catch (error) {
    if (isRefusal(error))
      return {
        ...CANCELLED,
        message:
          (error as Error).name === "InvalidStateError"
            ? "This device holds a passkey for you already."
            : "No passkey was made. Try again, or set up an authenticator app.",
      };
    throw error;
  }
}
