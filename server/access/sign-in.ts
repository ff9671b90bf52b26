/** Signing in by a password. */
import { accountByEmail, membershipsOf } from "#db/accounts.ts";
import { insertChange } from "#db/changes.ts";
import { isPassword } from "./password.ts";
import { openSession, type SignedIn } from "./session.ts";
import { passwordWasRight, reservePassword } from "./tries.ts";

interface Credentials {
  readonly email: string;
  readonly password: string;
  /** The device is somebody's own. */
  readonly stays: boolean;
}

/** Where a sign-in is tried from. */
export interface From {
  /** The session or the address: what tries are counted by. */
  readonly place: string;
  /** The machine itself, and no proxy: the demo club's passwords are shown and good there alone. */
  readonly isHere: boolean;
}

export type SignInResult = { readonly kind: "in"; readonly headers: Headers } | Refused;
interface Refused {
  readonly kind: "refused";
  readonly message: string;
}
const refused = (message: string): Refused => ({ kind: "refused", message });

const WRONG = refused("The address and the password do not belong together.");

/** Signs an account in to the school that it joined first. */
export async function intoFirstSchool(
  request: Request,
  accountId: string,
  lasts: SignedIn["lasts"],
): Promise<SignInResult> {
  const [first] = await membershipsOf(accountId);
  if (!first) return refused("This account is in no school any more. Ask the owner of yours for an invitation.");
  return { kind: "in", headers: await openSession(request, { schoolId: first.school_id, accountId, lasts }) };
}

/** Lets the owners see a wrong password: after the answer, so that it takes as long for an address that nobody has. */
function noteWrong(accountId: string): void {
  const note = async () => {
    for (const { school_id: schoolId, role } of await membershipsOf(accountId))
      await insertChange({ schoolId, accountId, role }, { place: "/sign-in", what: "wrong-password", subject: null });
  };
  note().catch((error: unknown) =>
    console.error(JSON.stringify({ level: "error", message: `not noted: ${String(error)}` })),
  );
}

/**
 * Address and password. A try is reserved before anything is looked at, in the same words and the same time whether there
 * is such an account or not.
 */
export async function signIn(
  request: Request,
  { email, password, stays }: Credentials,
  from: From,
): Promise<SignInResult> {
  const barred = await reservePassword(email, from.place);
  if (barred) return refused(barred);
  const found = await accountByEmail(email);
  // Passwords that the sign-in page shows are none but on the machine itself.
  const account = found?.shown_password && !from.isHere ? null : found;
  const right = await isPassword(account?.password_hash ?? null, password);
  if (!account || !right) {
    if (account) noteWrong(account.id);
    return WRONG;
  }
  await passwordWasRight(email, from.place);
  return intoFirstSchool(request, account.id, stays ? "own" : "shared");
}
