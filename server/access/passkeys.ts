/** Passkeys (W3C Web Authentication, level 2), by a library that is made for them. */
import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
  type AuthenticationResponseJSON,
  type AuthenticatorTransport,
  type PublicKeyCredentialCreationOptionsJSON,
  type PublicKeyCredentialRequestOptionsJSON,
  type RegistrationResponseJSON,
} from "@simplewebauthn/server";
import {
  findPasskey,
  insertChallenge,
  insertPasskey,
  listPasskeys,
  takeChallenge,
  usedPasskey,
  type PasskeyRow,
} from "#db/passkeys.ts";
import { deviceOf } from "./session.ts";

const NAME = "Vicissor";

/** What a browser is asked, and the id under which it is remembered that it was asked. */
export interface Asked<Options> {
  readonly challengeId: string;
  readonly options: Options;
}

/** A passkey belongs to a name, never to an address in numbers: null where this page has no name. */
export function relyingParty(request: Request): { readonly id: string; readonly origin: string } | null {
  const { hostname, origin } = new URL(request.url);
  return /^[\d.]+$|^\[/.test(hostname) ? null : { id: hostname, origin };
}

const transportsOf = ({ transports }: PasskeyRow) => transports as AuthenticatorTransport[];

/** Asks a device to make a passkey for an account. */
export async function askForPasskey(
  rpID: string,
  account: { readonly id: string; readonly name: string; readonly email: string },
): Promise<Asked<PublicKeyCredentialCreationOptionsJSON>> {
  const options = await generateRegistrationOptions({
    rpName: NAME,
    rpID,
    userID: new Uint8Array(Buffer.from(account.id)),
    userName: account.email,
    userDisplayName: account.name,
    excludeCredentials: (await listPasskeys(account.id)).map(({ id }) => ({ id })),
    authenticatorSelection: { residentKey: "required", userVerification: "required" },
  });
  return { challengeId: await insertChallenge(options.challenge, account.id), options };
}

/** Keeps the passkey that a device made; false where it is not what was asked for. */
export async function keepPasskey(
  request: Request,
  accountId: string,
  { challengeId, answer }: { readonly challengeId: string; readonly answer: RegistrationResponseJSON },
): Promise<boolean> {
  const party = relyingParty(request);
  const expectedChallenge = await takeChallenge(challengeId, accountId);
  if (!party || !expectedChallenge) return false;
  const verified = await verifyRegistrationResponse({
    response: answer,
    expectedChallenge,
    expectedOrigin: party.origin,
    expectedRPID: party.id,
  }).catch(() => null);
  if (!verified?.verified) return false;
  const { credential } = verified.registrationInfo;
  return insertPasskey({
    id: credential.id,
    account_id: accountId,
    public_key: Buffer.from(credential.publicKey),
    counter: credential.counter,
    transports: credential.transports ?? [],
    name: deviceOf(request.headers.get("user-agent")),
  });
}

/** Asks whoever is there to sign in with a passkey. */
export async function askToSignIn(rpID: string): Promise<Asked<PublicKeyCredentialRequestOptionsJSON>> {
  const options = await generateAuthenticationOptions({ rpID, userVerification: "required" });
  return { challengeId: await insertChallenge(options.challenge, null), options };
}

/** The account whose passkey signed what was asked; null where none did. */
export async function accountBehind(
  request: Request,
  { challengeId, answer }: { readonly challengeId: string; readonly answer: AuthenticationResponseJSON },
): Promise<string | null> {
  const party = relyingParty(request);
  const expectedChallenge = await takeChallenge(challengeId, null);
  const passkey = await findPasskey(answer.id);
  if (!party || !expectedChallenge || !passkey) return null;
  const verified = await verifyAuthenticationResponse({
    response: answer,
    expectedChallenge,
    expectedOrigin: party.origin,
    expectedRPID: party.id,
    credential: {
      id: passkey.id,
      publicKey: new Uint8Array(passkey.public_key),
      counter: passkey.counter,
      transports: transportsOf(passkey),
    },
  }).catch(() => null);
  if (!verified?.verified) return null;
  await usedPasskey(passkey.id, verified.authenticationInfo.newCounter);
  return passkey.account_id;
}
