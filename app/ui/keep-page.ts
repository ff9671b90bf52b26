import type { ShouldRevalidateFunctionArgs } from "react-router";

/**
 * After an action that failed (no database, a conflict, something deleted meanwhile) the page stays
 * as it is with its message: loading it again would put an error page in place of what was typed.
 */
export function keepPageOnFailure({ actionResult, defaultShouldRevalidate }: ShouldRevalidateFunctionArgs): boolean {
  const kind = (actionResult as { kind?: string } | null | undefined)?.kind;
  return kind === "failed" || kind === "gone" || kind === "conflict" ? false : defaultShouldRevalidate;
}
