/** Addresses in letters that wait are encrypted with a key beside the database: a dump of it opens no door. */
import { createCipheriv, createDecipheriv, randomBytes } from "node:crypto";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, resolve } from "node:path";
import { env } from "../web/env.ts";

/** AES-256-GCM (NIST SP 800-38D): a key of 32 bytes, a number of 12 that is used once, a tag of 16. */
const CIPHER = "aes-256-gcm";
const [KEY, NONCE, TAG] = [32, 12, 16] as const;

const keyFile = (): string => resolve(env().VICISSOR_KEY);

let known: { readonly file: string; readonly key: Buffer } | null = null;

/** The key of this machine; made where there is none yet. Several servers share the file that VICISSOR_KEY names. */
function keyOfMachine(): Buffer {
  const file = keyFile();
  if (known?.file === file) return known.key;
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  try {
    writeFileSync(file, randomBytes(KEY), { mode: 0o600, flag: "wx" });
  } catch (error) {
    if ((error as { code?: string }).code !== "EEXIST") throw error;
  }
  const key = readFileSync(file);
  if (key.length !== KEY) throw new Error(`${file} is no key: move it away, and a new one is made`);
  known = { file, key };
  return key;
}

export function sealed(text: string): Buffer {
  const nonce = randomBytes(NONCE);
  const cipher = createCipheriv(CIPHER, keyOfMachine(), nonce);
  const body = Buffer.concat([cipher.update(text, "utf8"), cipher.final()]);
  return Buffer.concat([nonce, cipher.getAuthTag(), body]);
}

/** What was sealed here; null where it was sealed with another key, or was changed. */
export function opened(bytes: Buffer): string | null {
  try {
    const decipher = createDecipheriv(CIPHER, keyOfMachine(), bytes.subarray(0, NONCE));
    decipher.setAuthTag(bytes.subarray(NONCE, NONCE + TAG));
    return decipher.update(bytes.subarray(NONCE + TAG), undefined, "utf8") + decipher.final("utf8");
  } catch {
    return null;
  }
}
