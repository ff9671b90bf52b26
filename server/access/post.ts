/** Letters: kept in the post box that comes with it, and sent where a mail server is set (SMTP_URL, MAIL_FROM). */
import { createTransport } from "nodemailer";
import { insertLetter, sentLetter, type Letter } from "#db/letters.ts";

/** Writes a letter; without a mail server it waits in the post box, where the owner reads it. */
export async function post(letter: Letter): Promise<void> {
  const id = await insertLetter(letter);
  const { SMTP_URL, MAIL_FROM } = process.env;
  if (!SMTP_URL || !MAIL_FROM) return;
  try {
    await createTransport(SMTP_URL).sendMail({
      from: MAIL_FROM,
      // One address, whatever stands in it: as a text it would be read as a list.
      to: { name: "", address: letter.recipient },
      subject: letter.subject,
      text: letter.body,
    });
    await sentLetter(id);
  } catch (error) {
    // It stays in the post box as not sent; whom it was for stands in no log.
    console.error(JSON.stringify({ level: "error", message: `a letter was not sent: ${(error as Error).message}` }));
  }
}

export const mailIsSent = (): boolean => Boolean(process.env.SMTP_URL && process.env.MAIL_FROM);
