/** What the server says to a request before the sign-in. */
export interface Said {
  readonly status: number;
  readonly code: string;
  readonly message: string;
}

async function post(path: string, body: object): Promise<Said> {
  const response = await fetch(path, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });
  // An answer of something between us and the server may be no JSON.
  const said = (await response.json().catch(() => null)) as { code?: string; message?: string } | null;
  return {
    status: response.status,
    code: said?.code ?? "",
    message: said?.message ?? `The server answered ${response.status}. Try again in a moment.`,
  };
}

/** Signs in by the sign-in library's own route. */
export const signIn = (email: string, password: string): Promise<Said> =>
  post("/api/auth/sign-in/email", { email, password });

/** Sets a password by the token of a mailed link. */
export const resetPassword = (token: string, newPassword: string): Promise<Said> =>
  post("/api/auth/reset-password", { token, newPassword });

/** Changes the password of whoever is signed in, and ends their other sign-ins. */
export const changePassword = (currentPassword: string, newPassword: string): Promise<Said> =>
  post("/api/auth/change-password", { currentPassword, newPassword, revokeOtherSessions: true });

/** Asks for a way in by mail. */
export const askForEntry = (email: string): Promise<Said> => post("/api/enter", { email });
