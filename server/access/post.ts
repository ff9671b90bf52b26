/** Letters: kept in the post box that comes with it, and sent where a mail server is set (SMTP_URL, MAIL_FROM). */
import { createTransport } from "nodemailer";
import { insertLetter, listLetters, sentLetter, type Letter } from "#db/letters.ts";
import type { Scope } from "#db/scope.ts";
import { opened, sealed } from "./letter-key.ts";
import { qrOf } from "../share/token.ts";
import { env } from "../web/env.ts";
import { opensHereOnly } from "../web/reach.ts";

/** Where the address stands in a letter; it is kept apart from the letter, encrypted. */
export const ADDRESS = "{address}";

interface Post extends Omit<Letter, "secret"> {
  readonly address?: string;
}

/** Said in a letter whose address nobody else reaches yet. */
const HERE_ONLY = "For now this address opens only on the machine that it was written on.";

/** Writes a letter; without a mail server it waits in the post box, where the owner reads it. */
export async function post({ address, body, ...rest }: Post): Promise<void> {
  const letter = { ...rest, body: address !== undefined && opensHereOnly(address) ? `${body}\n\n${HERE_ONLY}` : body };
  const id = await insertLetter({ ...letter, secret: address === undefined ? null : sealed(address) });
  const { SMTP_URL, MAIL_FROM } = env();
  if (!SMTP_URL || !MAIL_FROM) return;
  try {
    await createTransport(SMTP_URL).sendMail({
      from: MAIL_FROM,
      // One address, whatever stands in it: as a text it would be read as a list.
      to: { name: "", address: letter.recipient },
      subject: letter.subject,
      text: letter.body.replace(ADDRESS, address ?? ""),
    });
    await sentLetter(id);
  } catch (error) {
    // It stays in the post box as not sent; whom it was for stands in no log.
    console.error(JSON.stringify({ level: "error", message: `a letter was not sent: ${(error as Error).message}` }));
  }
}

export const mailIsSent = (): boolean => Boolean(env().SMTP_URL && env().MAIL_FROM);

/** The newest letters of the school as its owner reads them: with the addresses of those that wait. */
export const readLetters = async (scope: Scope) =>
  (await listLetters(scope)).map(({ secret, body, ...letter }) => {
    const address = secret === null ? null : opened(secret);
    const gone = letter.sent_at
      ? "(the address was in the letter alone)"
      : "(the address cannot be read on this server)";
    return {
      ...letter,
      body: body.replace(ADDRESS, address ?? gone),
      // Of one that waits: to be copied, or shown to a phone.
      address: address === null ? null : { text: address, qr: qrOf(address), isHereOnly: opensHereOnly(address) },
    };
  });
