/** Shared ways of loaders and actions to answer. */
import { isDatabaseDown } from "#db/pool.ts";

const DOWN = "The database does not answer. Nothing is lost; try again in a moment.";

/** Runs a loader's work; a database that is away becomes a page of its own (503). */
export async function reading<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (isDatabaseDown(error)) throw new Response(DOWN, { status: 503 });
    throw error;
  }
}

export interface Failure {
  readonly kind: "failed";
  readonly message: string;
}

/** Runs an action's work; a database that is away becomes a message on the same page. */
export async function writing<T>(work: () => Promise<T>): Promise<T | Failure> {
  try {
    return await work();
  } catch (error) {
    if (isDatabaseDown(error)) return { kind: "failed", message: DOWN };
    throw error;
  }
}

export const notFound = (what: string): Response => new Response(what, { status: 404 });
