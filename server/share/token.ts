/** The token of a link: its id, signed by the school, in letters that stand in an address and in a QR code. */
import { createHmac, timingSafeEqual } from "node:crypto";
import QRCode from "qrcode";

const ID_BYTES = 16;
/** 128 bits of HMAC-SHA-256 (RFC 2104, truncated to no less than half of its length). */
const MAC_BYTES = 16;

const idBytes = (id: string): Buffer => Buffer.from(id.replaceAll("-", ""), "hex");
const idText = (bytes: Buffer): string =>
  bytes.toString("hex").replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, "$1-$2-$3-$4-$5");

const macOf = (id: Buffer, secret: Buffer): Buffer =>
  createHmac("sha256", secret).update(id).digest().subarray(0, MAC_BYTES);

/** The token of a link's id (a UUID), 43 letters. */
export function tokenOf(id: string, secret: Buffer): string {
  const bytes = idBytes(id);
  return Buffer.concat([bytes, macOf(bytes, secret)]).toString("base64url");
}

/** The id that a token claims; null where it has not the shape of one. It says nothing about the signature. */
export function claimedId(token: string): string | null {
  if (!/^[\w-]{43}$/.test(token)) return null;
  return idText(Buffer.from(token, "base64url").subarray(0, ID_BYTES));
}

/** True where the school of the secret signed it. */
export function isSigned(token: string, secret: Buffer): boolean {
  const bytes = Buffer.from(token, "base64url");
  if (bytes.length !== ID_BYTES + MAC_BYTES) return false;
  return timingSafeEqual(bytes.subarray(ID_BYTES), macOf(bytes.subarray(0, ID_BYTES), secret));
}

/** A QR code (ISO/IEC 18004) as one path of unit squares. */
export interface QrCode {
  /** Squares on a side, without the quiet zone. */
  readonly size: number;
  readonly path: string;
}

export function qrOf(text: string): QrCode {
  const { size, data } = QRCode.create(text, { errorCorrectionLevel: "M" }).modules;
  let path = "";
  for (let y = 0; y < size; y++) for (let x = 0; x < size; x++) if (data[y * size + x]) path += `M${x} ${y}h1v1h-1z`;
  return { size, path };
}
