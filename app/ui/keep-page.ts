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
 * What the server says, or what is shown already where it cannot say anything now: a class that runs stays on the
 * screen without a network. What is not there any more is not shown on.
 */
export async function orShown<T>(load: () => Promise<T>, shown: T | null): Promise<T> {
  try {
    return await load();
  } catch (error) {
    if (shown === null || (isRouteErrorResponse(error) && error.status === NOT_FOUND)) throw error;
    return shown;
  }
}
