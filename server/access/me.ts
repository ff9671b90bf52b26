/** Who is signed in, as every screen shows it. */
import { getAccountName } from "#db/accounts.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { askerOf } from "./admit.ts";
import { homeOf } from "./rules.ts";
import type { Visitor } from "./session.ts";

export interface Me {
  readonly name: string;
  readonly role: "owner" | "instructor" | "assistant" | "student" | "tablet";
  /** Where their places begin. */
  readonly home: string;
}

export function meOf(visitor: Visitor): Me | null {
  if (typeof visitor === "string") return null;
  const asker = askerOf(visitor);
  return { name: visitor.name, role: asker.role, home: homeOf(asker) };
}

/** The name of whoever is signed in, for what they confirm. */
export const nameOf = async ({ accountId }: Scope): Promise<string> =>
  (await getAccountName(db, accountId)) ?? "Somebody";
