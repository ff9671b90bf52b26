/** Signing in by a password. */
import { accountByEmail, countRight, countWrong, isClosed, membershipsOf } from "#db/accounts.ts";
import { insertChange } from "#db/changes.ts";
import { isPassword } from "./password.ts";
import { isFromNetwork } from "./network.ts";
import { openSession, type SignedIn } from "./session.ts";

interface Credentials {
  readonly email: string;
  readonly password: string;
  /** The device is somebody's own. */
  readonly stays: boolean;
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

/** Counts a wrong password, and lets the owners see it. */
async function noteWrong(accountId: string): Promise<void> {
  await countWrong(accountId);
  for (const { school_id: schoolId, role } of await membershipsOf(accountId))
    await insertChange({ schoolId, accountId, role }, { place: "/sign-in", what: "wrong-password", subject: null });
}

/** Address and password; wrong ones are counted, and after some nothing is tried for a while. */
export async function signIn(request: Request, { email, password, stays }: Credentials): Promise<SignInResult> {
  const found = await accountByEmail(email);
  // Passwords that the sign-in page shows are none for the network.
  const account = found?.shown_password && isFromNetwork(request.headers) ? null : found;
  if (account && isClosed(account)) {
    const seconds = Math.ceil((account.closed_until!.getTime() - Date.now()) / 1000);
    return refused(`There were too many wrong passwords. Try again in ${seconds} seconds.`);
  }
  const right = await isPassword(account?.password_hash ?? null, password);
  if (!account || !right) {
    if (account) await noteWrong(account.id);
    return WRONG;
  }
  await countRight(account.id);
  return intoFirstSchool(request, account.id, stays ? "own" : "shared");
}
