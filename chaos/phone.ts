import type { VisitOp } from "@keel-round/core/visit";
import { v7 } from "uuid";
import { walkThrough } from "../tools/seed/walkThrough.ts";

const wait = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));
const PATIENCE_MS = 20_000;
const FILE_PATIENCE_MS = 90_000;

/** Somebody's phone: signed in, keeps what it has until the server has said that it took it. */
export class Phone {
  private cookie = "";
  constructor(
    private readonly address: string,
    private readonly login: { readonly email: string; readonly password: string },
    private readonly random: () => number,
  ) {}

  get signedIn(): string {
    return this.cookie;
  }

  async signIn(): Promise<void> {
    for (;;) {
      const answer = await this.ask("/api/auth/sign-in/email", this.login);
      if (answer?.status === 200) {
        this.cookie = answer.headers
          .getSetCookie()
          .map((c) => c.split(";")[0])
          .join("; ");
        return;
      }
      await wait(300 + 500 * this.random());
    }
  }

  /** Asks until somebody answers who is our server; null while nobody does. */
  async ask(path: string, body?: object): Promise<Response | null> {
    try {
      return await fetch(`${this.address}${path}`, {
        ...(body ? { method: "POST", body: JSON.stringify(body) } : {}),
        headers: { "content-type": "application/json", origin: this.address, cookie: this.cookie },
        signal: AbortSignal.timeout(PATIENCE_MS),
      });
    } catch {
      // Cut, refused or silent: the phone cannot know whether it arrived.
      return null;
    }
  }

  /** Sends a file; null where nobody answers. */
  async send(path: string, file: string): Promise<Response | null> {
    try {
      return await fetch(`${this.address}${path}`, {
        method: "POST",
        body: file,
        headers: { "content-type": "application/json", origin: this.address, cookie: this.cookie },
        signal: AbortSignal.timeout(FILE_PATIENCE_MS),
      });
    } catch {
      return null;
    }
  }

  /** Walks through a visit and sends its log in batches of any size, each until it was taken, some of them again. */
  async visit(visitId: string): Promise<readonly VisitOp[]> {
    const { bundle } = (await this.until(`/api/visits/${visitId}`)) as {
      bundle: { input: Parameters<typeof walkThrough>[0] };
    };
    const device = v7();
    const walked = walkThrough(
      bundle.input,
      Date.now(),
      (p) => bundle.input.readings.findLast((r) => r.parameter === p)?.value ?? 8,
    );
    const ops = walked.ops.map((op) => ({ ...op, device }));
    for (let at = 0; at < ops.length; ) {
      const batch = ops.slice(at, at + 1 + Math.floor(12 * this.random()));
      await this.sendOps(visitId, batch);
      if (this.random() < 0.15) await this.sendOps(visitId, ops.slice(Math.max(0, at - 3), at + batch.length));
      at += batch.length;
    }
    return ops;
  }

  private async sendOps(visitId: string, ops: readonly VisitOp[]): Promise<void> {
    const { results } = (await this.until(`/api/visits/${visitId}/operations`, { ops })) as {
      results: { result: string; code?: string }[];
    };
    const wrong = results.filter((r) => r.result !== "applied" && r.result !== "already");
    if (wrong.length > 0) throw new Error(`An entry of ${visitId} is ${JSON.stringify(wrong[0])}`);
  }

  private async until(path: string, body?: object): Promise<unknown> {
    for (;;) {
      const answer = await this.ask(path, body);
      if (answer?.status === 200) {
        try {
          return await answer.json();
        } catch {
          // The answer was cut off in its middle.
        }
      } else if (answer?.status === 401) await this.signIn();
      else if (answer && answer.status < 500 && answer.status !== 429)
        throw new Error(`${path} answers ${answer.status}: ${await answer.text()}`);
      await wait(100 + 400 * this.random());
    }
  }
}
