import { z } from "zod";
import { db } from "../database/connection";
import { isBusy } from "../database/transaction";
import { wellFormed } from "../database/wellFormed";
import { addressOf } from "./address";
import { requireRecent } from "./anew";
import { noteAudit } from "./audit";
import { readBytes } from "./body";
import { plainError } from "./plainError";
import { Refused } from "./refused";
import { enteredOf, type Role, type Scope, scopeOf } from "./scope";

export { Refused } from "./refused";

/** Ids of somebody else's business, for the test that walks the registry. */
export interface ForeignIds {
  readonly visitId: string;
  readonly tankId: string;
  readonly stopId: string;
  readonly roundChangeId: string;
  readonly letterId: string;
  readonly personId: string;
  readonly siteId: string;
  readonly animalId: string;
  readonly changeId: string;
  readonly batchId: string;
  readonly importId: string;
  readonly photoId: string;
  readonly barrelId: string;
  readonly jobId: string;
  readonly noticeId: string;
  readonly feedId: string;
  readonly roadId: string;
  readonly requestId: string;
  readonly proposalId: string;
  readonly runId: string;
  readonly itemId: string;
  readonly moveId: string;
  readonly orderId: string;
}

/** What is outside the person's business does not exist for them. */
export const notFound = (what: string): Refused => new Refused(404, "not-found", `There is no such ${what} here.`);

/** What an action answers to its form. */
export type ActionResult<T> =
  | { readonly ok: true; readonly value: T }
  | {
      readonly ok: false;
      readonly code: string;
      readonly message: string;
      readonly fields: Readonly<Record<string, string[]>>;
    };

interface Registered {
  readonly kind: "action" | "route" | "public-route";
  readonly name: string;
  readonly roles: readonly Role[];
  /** Runs it as a person with ids that belong to another business; null where it takes no id. */
  readonly probe: ((scope: Scope, foreign: ForeignIds) => Promise<unknown>) | null;
  /** An input that names these ids, and what takes whatever is sent instead of it; null where it takes no id. */
  readonly tried: {
    readonly example: (ids: ForeignIds) => unknown;
    readonly take: (scope: Scope, raw: unknown) => Promise<unknown>;
  } | null;
}

const registry = new Map<unknown, Registered>();

/** Whether an export was made by one of the functions below, and as what. */
export function registered(made: unknown): Registered | undefined {
  return registry.get(made);
}

/** All that was made so far. */
export function everyDefinition(): readonly Registered[] {
  return [...registry.values()];
}

/** What is asked of who comes, beside their role. */
interface Asked {
  /** Minutes within which they have to have shown who they are. */
  readonly within?: number;
  /** It is there as well for who still has to set up the second factor that their firm asks for. */
  readonly beforeSecondFactor?: boolean;
}

interface ActionDefinition<I, T> extends Asked {
  readonly name: string;
  readonly roles: readonly Role[];
  readonly input: z.ZodType<I>;
  /** An input that names another business's rows. The registry's test runs it and expects "not found". */
  readonly foreign?: (ids: ForeignIds) => I;
  readonly run: (scope: Scope, input: I) => Promise<T>;
}

/** Makes a server action: parse, scope, run, answer. What a person can mend is returned, the rest is thrown. */
export function defineAction<I, T>(definition: ActionDefinition<I, T>): (input: unknown) => Promise<ActionResult<T>> {
  const { name, roles, input: schema, foreign, run } = definition;
  const made = async (raw: unknown): Promise<ActionResult<T>> => {
    try {
      // Imported here so that tests can load definitions outside a request.
      const { headers } = await import("next/headers");
      const scope = await requireScope(await headers(), roles, definition);
      const parsed = schema.safeParse(wellFormed(raw));
      if (!parsed.success) {
        const fields = z.flattenError(parsed.error).fieldErrors as Record<string, string[]>;
        return {
          ok: false,
          code: "invalid",
          message: Object.values(fields).flat()[0] ?? "Mend what is marked, then save again.",
          fields,
        };
      }
      return { ok: true, value: await run(scope, parsed.data) };
    } catch (error) {
      const { code, message, fields } = refusalOf(error);
      return { ok: false, code, message, fields };
    }
  };
  registry.set(made, {
    kind: "action",
    name,
    roles,
    probe: foreign ? (scope, ids) => run(scope, foreign(ids)) : null,
    tried: foreign ? { example: foreign, take: async (scope, raw) => run(scope, parsedBy(schema, raw)) } : null,
  });
  return made;
}

function parsedBy<T>(schema: z.ZodType<T>, raw: unknown): T {
  const parsed = schema.safeParse(wellFormed(raw));
  if (!parsed.success) throw new Refused(422, "invalid", "What was sent does not have the expected form.");
  return parsed.data;
}

interface RouteDefinition<P, B> extends Asked {
  readonly name: string;
  readonly roles: readonly Role[];
  readonly params: z.ZodType<P>;
  /** Of a JSON body; left out where none is taken. */
  readonly body?: z.ZodType<B>;
  readonly maxBytes?: number;
  readonly foreign?: (ids: ForeignIds) => { readonly params: P; readonly body?: B };
  /** What of the firm leaves by it, as a phrase: it is written down before it does. */
  readonly takesOut?: (params: P, request: Request) => string;
  readonly run: (
    scope: Scope,
    input: { readonly params: P; readonly body: B; readonly request: Request },
  ) => Promise<Response | object>;
  /** What a page answers with instead of a problem. */
  readonly refused?: (refused: Refused) => Response;
}

type Handler = (request: Request, context: { params: Promise<unknown> }) => Promise<Response>;

const DEFAULT_MAX_BYTES = 1_000_000;

/** Makes a route handler: parse, scope, run, answer. Refusals are problems with a code, never a 500. */
export function defineRoute<P, B = undefined>(definition: RouteDefinition<P, B>): Handler {
  const { name, roles, params: paramsSchema, body: bodySchema, foreign, run } = definition;
  const made: Handler = async (request, context) => {
    try {
      const scope = await requireScope(request.headers, roles, definition);
      if (request.method !== "GET") requireSameOrigin(request);
      const params = paramsSchema.safeParse(await context.params);
      if (!params.success) throw notFound("thing");
      const body = bodySchema
        ? await readBody(request, bodySchema, definition.maxBytes ?? DEFAULT_MAX_BYTES)
        : (undefined as B);
      const answer = await run(scope, { params: params.data, body, request });
      const what = definition.takesOut?.(params.data, request);
      if (what !== undefined) {
        const address = addressOf(request.headers);
        await noteAudit(db(), scope, { kind: "taken-out", what, address, at: new Date() });
      }
      return answer instanceof Response ? answer : Response.json(answer, { headers: { "cache-control": "no-store" } });
    } catch (error) {
      return (definition.refused ?? problem)(refusalOf(error));
    }
  };
  registry.set(made, {
    kind: "route",
    name,
    roles,
    probe: foreign
      ? (scope, ids) => {
          const given = foreign(ids);
          return run(scope, { params: given.params, body: given.body as B, request: new Request("http://localhost/") });
        }
      : null,
    tried: foreign
      ? {
          example: foreign,
          take: async (scope, raw) => {
            const given = (raw ?? {}) as { readonly params?: unknown; readonly body?: unknown };
            return run(scope, {
              params: parsedBy(paramsSchema, given.params),
              body: bodySchema ? parsedBy(bodySchema, given.body) : (undefined as B),
              request: new Request("http://localhost/"),
            });
          },
        }
      : null,
  });
  return made;
}

interface FormDefinition<I> extends Asked {
  readonly name: string;
  readonly roles: readonly Role[];
  readonly input: z.ZodType<I>;
  readonly maxBytes: number;
  /** What the fields of the form say, before it is checked. */
  readonly read: (form: FormData) => Promise<unknown>;
  readonly foreign?: (ids: ForeignIds) => I;
  readonly run: (scope: Scope, input: I, request: Request) => Promise<Response>;
  /** The page once more, with what was typed; without a scope or a form where those could not be had. */
  readonly refused: (refused: Refused, scope: Scope | null, form: FormData | null) => Promise<Response>;
}

/** Makes a handler of a plain form, which needs no script: parse, scope, run, answer with a page. */
export function defineForm<I>(definition: FormDefinition<I>): Handler {
  const { name, roles, input: schema, foreign, run } = definition;
  const made: Handler = async (request) => {
    let [scope, form]: [Scope | null, FormData | null] = [null, null];
    try {
      scope = await requireScope(request.headers, roles, definition);
      requireSameOrigin(request);
      form = await readForm(request, definition.maxBytes);
      const parsed = schema.safeParse(wellFormed(await definition.read(form)));
      if (parsed.success) return await run(scope, parsed.data, request);
      const fields = z.flattenError(parsed.error).fieldErrors as Record<string, string[]>;
      throw new Refused(422, "invalid", Object.values(fields).flat()[0] ?? "Mend what is marked.", fields);
    } catch (error) {
      return definition.refused(refusalOf(error), scope, form);
    }
  };
  registry.set(made, {
    ...{ kind: "route", name, roles },
    probe: foreign ? (scope, ids) => run(scope, foreign(ids), new Request("http://localhost/")) : null,
    tried: foreign
      ? {
          example: foreign,
          take: async (scope, raw) => run(scope, parsedBy(schema, raw), new Request("http://localhost/")),
        }
      : null,
  });
  return made;
}

async function readForm(request: Request, maxBytes: number): Promise<FormData> {
  const bytes = await readBytes(request, maxBytes, "What is sent at once");
  const type = request.headers.get("content-type") ?? "";
  try {
    return await new Response(Buffer.from(bytes), { headers: { "content-type": type } }).formData();
  } catch {
    throw new Refused(400, "not-a-form", "What was sent is no form.");
  }
}

interface OpenRouteDefinition<B> {
  readonly name: string;
  /** What protects it. */
  readonly why: string;
  readonly body: z.ZodType<B>;
  readonly run: (scope: Scope | null, body: B) => Promise<object>;
}

/** Makes a route handler that answers whoever asks from our own pages, signed in or not. */
export function defineOpenRoute<B>({ name, why, body, run }: OpenRouteDefinition<B>): Handler {
  return definePublicRoute(name, why, async (request) => {
    try {
      requireSameOrigin(request);
      const scope = await scopeOf(request.headers);
      return Response.json(await run(scope, await readBody(request, body, DEFAULT_MAX_BYTES)));
    } catch (error) {
      return problem(refusalOf(error));
    }
  });
}

/** What a caught error answers: a refusal as it is, a database that cannot be had as one; anything else is ours and is thrown on. */
function refusalOf(error: unknown): Refused {
  if (error instanceof Refused) return error;
  if (isBusy(error)) return new Refused(503, "busy", "The server is busy. Nothing was kept; try again in a moment.");
  throw plainError(error);
}

/** Registers a handler that needs no sign-in. `why` says what protects it. */
export function definePublicRoute<H>(name: string, _why: string, handler: H): H {
  registry.set(handler, { kind: "public-route", name, roles: [], probe: null, tried: null });
  return handler;
}

async function requireScope(headers: Headers, roles: readonly Role[], asked: Asked): Promise<Scope> {
  const entered = await enteredOf(headers);
  if (!entered) throw new Refused(401, "signed-out", "Sign in again; what you typed is still on this phone.");
  if (!roles.includes(entered.scope.role)) throw notFound("page");
  if (entered.lacksSecondFactor && !asked.beforeSecondFactor)
    throw new Refused(403, "second-factor", "Your firm asks for a second factor. Set one up, then do this again.");
  if (asked.within !== undefined) requireRecent(entered, asked.within);
  return entered.scope;
}

function requireSameOrigin(request: Request): void {
  const origin = request.headers.get("origin");
  const host = request.headers.get("host");
  if (!origin || !host || !URL.canParse(origin) || new URL(origin).host !== host)
    throw new Refused(403, "foreign-origin", "This request did not come from Keel Round.");
}

async function readBody<B>(request: Request, schema: z.ZodType<B>, maxBytes: number): Promise<B> {
  const bytes = await readBytes(request, maxBytes, "What is sent at once");
  let raw: unknown;
  try {
    raw = JSON.parse(new TextDecoder("utf-8", { fatal: true }).decode(bytes));
  } catch {
    throw new Refused(400, "not-json", "The body is not JSON.");
  }
  const parsed = schema.safeParse(wellFormed(raw));
  if (!parsed.success)
    throw new Refused(
      422,
      "invalid",
      "The body does not have the expected form.",
      z.flattenError(parsed.error).fieldErrors as Record<string, string[]>,
    );
  return parsed.data;
}

/** A refusal as an answer that programs read. */
export function problem(refused: Refused): Response {
  return Response.json(
    { code: refused.code, message: refused.message, fields: refused.fields },
    { status: refused.status, headers: { "content-type": "application/problem+json", "cache-control": "no-store" } },
  );
}
