/** A QR code, black on white whatever the theme: a camera has to read it. */
import type { QrCode } from "#server/share/token.ts";

/** Squares left white round a code (ISO/IEC 18004 asks for four). */
export const QUIET = 4;

export const QrSvg = ({ qr, label, width }: { qr: QrCode; label: string; width: number | string }) => (
  <svg
    viewBox={`${-QUIET} ${-QUIET} ${qr.size + 2 * QUIET} ${qr.size + 2 * QUIET}`}
    width={width}
    role="img"
    aria-label={label}
    shapeRendering="crispEdges"
    style={{ background: "#fff", display: "block" }}
  >
    <path d={qr.path} fill="#000" />
  </svg>
);
