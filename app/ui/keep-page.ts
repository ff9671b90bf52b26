import { isRouteErrorResponse, type ShouldRevalidateFunctionArgs } from "react-router";

/**
 * After an action that failed (no database, a conflict, something deleted meanwhile) the page stays
 * as it is with its message: loading it again would put an error page in place of what was typed.
 */
export function keepPageOnFailure({ actionResult, defaultShouldRevalidate }: ShouldRevalidateFunctionArgs): boolean {
  const kind = (actionResult as { kind?: string } | null | undefined)?.kind;
  return kind === "failed" || kind === "gone" || kind === "conflict" ? false : defaultShouldRevalidate;
}

const NOT_FOUND = 404;

/**
 * Keeps what is shown, in the browser, for when the server cannot say anything: a class that runs stays on the screen
 * without a network. What is not there any more is not shown on.
 */
export function keeps<T>() {
  let kept: { readonly id: string; readonly data: T } | null = null;
  const shown = (id: string): T | null => (kept?.id === id ? kept.data : null);
  return {
    shown,
    keep: (id: string, data: T): void => {
      kept = { id, data };
    },
    load: async (id: string, load: () => Promise<T>): Promise<T> => {
      try {
        return await load();
      } catch (error) {
        const old = shown(id);
        if (old === null || (isRouteErrorResponse(error) && error.status === NOT_FOUND)) throw error;
        return old;
      }
    },
  };
}
