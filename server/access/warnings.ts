/** Letters to somebody about their own account: what was done with it that might not have been them. */
import { accountById } from "#db/accounts.ts";
import { getSchool } from "#db/school.ts";
import { db } from "#db/pool.ts";
import { mailIsSent, post } from "./post.ts";

const DONE = {
  "new device": "signed in as you on a device that was not known",
  password: "changed your password",
  passkey: "made a passkey for your account",
} as const;

interface Warning {
  readonly what: keyof typeof DONE;
  readonly accountId: string;
  /** The school whose letter it is; null where none is known. */
  readonly schoolId: string | null;
  /** What the device calls itself. */
  readonly device: string;
  /** Where the application is, as `https://hall.local:4443`. */
  readonly origin: string;
}

/**
 * Writes to whom the account belongs. Only where letters are sent: in the post box of a school its owner would read them,
 * and they are for nobody else. Nothing waits for the letter, and nothing fails by it.
 */
export function warn(warning: Warning): void {
  if (mailIsSent()) void write(warning).catch((error: unknown) => console.error("a letter was not written:", error));
}

async function write({ what, accountId, schoolId, device, origin }: Warning): Promise<void> {
  const [account, school] = await Promise.all([
    accountById(accountId),
    schoolId ? getSchool(db, { schoolId, accountId, role: "student" }) : null,
  ]);
  if (!account) return;
  await post({
    schoolId,
    recipient: account.email,
    subject: `Somebody ${DONE[what]}`,
    body: `Somebody has just ${DONE[what]} (${device})${school ? `, at ${school.name}` : ""}.\n\nIf it was you, there is nothing to do. If not: open ${origin}/account, sign the other devices out, and change your password.`,
  });
}
