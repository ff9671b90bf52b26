/** Shared ways of loaders and actions to answer, and what a fault means for the one who asks. */
import { data, type RouterContextProvider, type UNSAFE_DataWithResponseInit as WithStatus } from "react-router";
import { ValidationError } from "yup";
import { insertChange } from "#db/changes.ts";
import { areKnown } from "#db/known.ts";
import { db, isDatabaseDown } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { changeOf } from "../access/changes.ts";
import { TooBusy } from "../access/password.ts";
import { TaskStopped } from "../checks/pool.ts";
import { refusalContext, scopeContext } from "./context.ts";
import { BadInput, fieldsOf, type Fields } from "./forms.ts";

interface Failure {
  readonly kind: "failed";
  readonly message: string;
  /** The field of a form that is wrong, where it is one. */
  readonly field?: string;
}

interface Explained {
  readonly status: 400 | 404 | 409 | 503;
  readonly message: string;
  readonly field?: string;
}

const DOWN = "The database does not answer. Nothing is lost; try again in a moment.";
const FULL =
  "The database cannot write: its disk is full or read-only. Nothing of this was saved; free some space first.";
const STALE = "What this belongs to was changed or taken away meanwhile. Load the page again, and do it once more.";

/** Codes of PostgreSQL by what they mean for the one who asks (PostgreSQL manual, appendix A). */
const CODES: readonly (readonly [RegExp, Explained])[] = [
  [/^(?:53100|53200|25006|58030)$/, { status: 503, message: FULL }],
  [/^(?:23503|23505|40001|40P01|55P03)$/, { status: 409, message: STALE }],
  [
    /^(?:22...|23514|23502)$/,
    { status: 400, message: "Something in it cannot be kept: a date, a number or a name is not what it must be." },
  ],
];

/** What somebody sends can be nested so deeply that reading it fills the stack. */
const isTooDeep = (error: unknown): boolean => error instanceof RangeError && /call stack/i.test(error.message);

/** What a fault means in words; null where the fault is the application's own. */
export function explain(error: unknown): Explained | null {
  if (error instanceof BadInput) return { status: 400, message: error.message };
  if (error instanceof ValidationError)
    return { status: 400, message: error.errors[0]!, ...(error.path ? { field: error.path } : {}) };
  if (error instanceof NotHere) return { status: 404, message: error.message };
  if (error instanceof TooBusy) return { status: 503, message: error.message };
  if (isTooDeep(error)) return { status: 400, message: "What was sent is nested too deeply to be read." };
  if (error instanceof TaskStopped) return { status: 503, message: error.message };
  if (isDatabaseDown(error)) return { status: 503, message: DOWN };
  const code = String((error as { code?: unknown } | null)?.code ?? "");
  return CODES.find(([codes]) => codes.test(code))?.[1] ?? null;
}

/** Runs a loader's work; what the one who asks can mend becomes a page of its own with the right status. */
export async function reading<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    const said = explain(error);
    if (!said) throw error;
    // An address with an id that is none leads nowhere.
    if (said.status === 400) throw notFound("This is not here: the address is not whole.");
    throw new Response(said.message, { status: said.status });
  }
}

/** Runs the work of an action that is open to everybody: the ways in. Nobody's change is noted. */
export async function writingOpen<T>(
  request: Request,
  work: (fields: Fields) => Promise<T>,
): Promise<T | WithStatus<Failure>> {
  try {
    return await work(fieldsOf(await request.formData()));
  } catch (error) {
    return failureOf(error);
  }
}

/** A fault that the sender can mend as a message; any other goes on. */
function failureOf(error: unknown): WithStatus<Failure> {
  const said = error instanceof Response ? null : explain(error);
  if (!said) throw error;
  const { status, ...words } = said;
  return data({ kind: "failed" as const, ...words }, { status });
}

/** What an action is asked with. */
interface Asked {
  readonly request: Request;
  readonly context: Readonly<RouterContextProvider>;
}

/** Results that changed nothing. */
const UNCHANGED: ReadonlySet<unknown> = new Set(["failed", "refused", "conflict", "gone", "stale", "asked"]);

/** Notes who changed what, where something was. */
async function noteChange({ request, context }: Asked, fields: Fields, result: unknown): Promise<void> {
  if (UNCHANGED.has((result as { kind?: unknown } | null)?.kind)) return;
  await insertChange(context.get(scopeContext), changeOf(new URL(request.url).pathname, fields));
}

/**
 * Runs an action's work on the fields of its form, where whoever sent it may do so, and notes it in the list of
 * changes; what can be mended becomes a message on the same page.
 */
export async function writing<T>(asked: Asked, work: (fields: Fields) => Promise<T>): Promise<T | WithStatus<Failure>> {
  const barred = asked.context.get(refusalContext);
  if (barred) return data({ kind: "failed" as const, message: barred.message }, { status: barred.status });
  return writingOpen(asked.request, async (fields) => {
    const result = await work(fields);
    await noteChange(asked, fields, result);
    return result;
  });
}

/** What somebody would change is not here, or is another school's. */
class NotHere extends Error {}

/** Says that something is not here where one of the ids is none of the school's. */
export async function mustBeHere(
  scope: Scope,
  table: Parameters<typeof areKnown>[2],
  ids: readonly string[],
): Promise<void> {
  if (!(await areKnown(db, scope, table, ids)))
    throw new NotHere("This is not here any more. Load the page again; nothing was changed.");
}

export const notFound = (what: string): Response => new Response(what, { status: 404 });

/** A change that was not made, in words for the same page. */
export interface Refusal {
  readonly kind: "refused";
  readonly message: string;
}
export const refused = (message: string): Refusal => ({ kind: "refused", message });
