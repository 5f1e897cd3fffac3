import type { Scope } from "@/data/access/scope";
import { Phone } from "./phone.ts";

const wait = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

/** A business begun for an archive, and who signs in there. */
export interface Restored {
  readonly email: string;
}

/** Everything of a business as its office would download it. */
export async function archiveOf(scope: Scope): Promise<string> {
  const { writeArchive } = await import("@/data/archive/write");
  const parts: string[] = [];
  for await (const part of writeArchive(scope, null, new Date())) parts.push(part);
  return parts.join("");
}

/** Brings an archive into a business of its own, as often as it takes: one that came in is refused the next time. */
export async function restore(
  address: string,
  scope: Scope,
  archive: string,
  n: number,
  random: () => number,
  sure: <T>(ask: () => Promise<T>) => Promise<T>,
): Promise<Restored> {
  const { beginBusiness } = await import("@/data/firm/begin");
  const login = { email: `restored${n}@chaos.example`, password: `chaos-lamp-${n}-77` };
  const firm = { name: `Restored ${n}`, zone: "UTC", phone: "", mailFrom: login.email, start: "50, -4", person: "Ida" };
  await sure(() => beginBusiness(scope, { ...firm, ...login }, new Date())).catch((error: { code?: string }) => {
    // Its answer was lost: it is there.
    if (error.code !== "taken") throw error;
  });
  const office = new Phone(address, login, random);
  await office.signIn();
  for (;;) {
    const answer = await office.send("/api/archive", archive);
    if (answer?.status === 200) break;
    if (answer?.status === 401) await office.signIn();
    const said = (await answer?.json().catch(() => null)) as { code?: string; message?: string } | null;
    if (said?.code === "not-empty") break;
    if (answer && answer.status < 500 && ![401, 409, 429].includes(answer.status))
      throw new Error(`The archive is answered with ${answer.status} ${JSON.stringify(said)}`);
    await wait(500 + 500 * random());
  }
  return { email: login.email };
}
