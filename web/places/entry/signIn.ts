/**
 * Signs in by the sign-in library's own route, where its rate limit holds.
 *
 * @returns the answer's status.
 */
export async function signIn(email: string, password: string): Promise<number> {
  const response = await fetch("/api/auth/sign-in/email", {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ email, password }),
  });
  return response.status;
}
