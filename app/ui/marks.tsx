/** The signs of the application: partners by shape and letter, verdicts by rings. */
import Box from "@mui/material/Box";
import { VERDICT_WORDS, type VerdictName } from "#core/base/verdict-words.ts";
import { usePalette } from "./palette.ts";

type PartnerName = "A" | "B" | "C";

const RING: Record<VerdictName, "closed" | "half" | "broken"> = {
  valid: "closed",
  sound: "closed",
  risky: "half",
  invalid: "broken",
  broken: "broken",
  unread: "broken",
  asDrill: "half",
};

/** Colour of a verdict; the ring's shape says the same without it. */
export function useVerdictColour(): (verdict: VerdictName) => string {
  const { verdict } = usePalette();
  return (name) => (RING[name] === "closed" ? verdict.valid : RING[name] === "half" ? verdict.risky : verdict.invalid);
}

/** Dashes and gaps of a ring as shares of its circumference: closed, open on one half, in pieces. */
const DASH = { closed: null, half: [0.62, 0.38], broken: [0.14, 0.11] } as const;

/** A verdict's ring inside an SVG drawing. */
export function RingShape({
  verdict,
  x,
  y,
  r,
  colour,
}: {
  verdict: VerdictName;
  x: number;
  y: number;
  r: number;
  colour: string;
}) {
  const kind = RING[verdict];
  const dash = DASH[kind]?.map((share) => (share * 2 * Math.PI * r).toFixed(2)).join(" ");
  return (
    <g>
      <circle
        cx={x}
        cy={y}
        r={r}
        fill="none"
        stroke={colour}
        strokeWidth={r * 0.34}
        strokeDasharray={dash}
        transform={`rotate(-112 ${x} ${y})`}
      />
      {kind === "broken" && (
        <path
          d={`M${x - r * 0.38} ${y - r * 0.38}L${x + r * 0.38} ${y + r * 0.38}M${x + r * 0.38} ${y - r * 0.38}L${x - r * 0.38} ${y + r * 0.38}`}
          stroke={colour}
          strokeWidth={r * 0.24}
          strokeLinecap="round"
        />
      )}
    </g>
  );
}

/** A verdict as a ring: closed = sound, half open = risky, in pieces = broken; its word for readers. */
export function VerdictRing({
  verdict,
  size = 22,
  word = false,
}: {
  verdict: VerdictName;
  size?: number;
  word?: boolean;
}) {
  const colour = useVerdictColour()(verdict);
  return (
    <Box
      component="span"
      sx={{
        display: "inline-flex",
        alignItems: "center",
        gap: 1,
        color: colour,
        fontWeight: 600,
        verticalAlign: "middle",
      }}
    >
      <svg
        width={size}
        height={size}
        viewBox="0 0 24 24"
        role={word ? "presentation" : "img"}
        aria-label={word ? undefined : VERDICT_WORDS[verdict]}
      >
        <RingShape verdict={verdict} x={12} y={12} r={8.6} colour={colour} />
      </svg>
      {word && VERDICT_WORDS[verdict]}
    </Box>
  );
}

/** A partner's shape inside an SVG drawing: A a square, B a circle, C a triangle, each with its letter. */
export function PartnerShape({
  actor,
  x,
  y,
  r,
  colour,
  ink,
}: {
  actor: PartnerName;
  x: number;
  y: number;
  r: number;
  colour: string;
  ink: string;
}) {
  return (
    <g>
      {actor === "A" && (
        <rect x={x - r * 0.92} y={y - r * 0.92} width={r * 1.84} height={r * 1.84} rx={r * 0.12} fill={colour} />
      )}
      {actor === "B" && <circle cx={x} cy={y} r={r} fill={colour} />}
      {actor === "C" && (
        <path d={`M${x} ${y - r * 1.2}L${x + r * 1.15} ${y + r * 0.9}H${x - r * 1.15}Z`} fill={colour} />
      )}
      <text x={x} y={y + r * 0.42} textAnchor="middle" fontSize={r * 1.2} fontWeight={700} fill={ink}>
        {actor}
      </text>
    </g>
  );
}

export function PartnerMark({ actor, size = 24 }: { actor: PartnerName; size?: number }) {
  const palette = usePalette();
  return (
    <svg width={size} height={size} viewBox="0 0 28 28" role="img" aria-label={`partner ${actor}`}>
      <PartnerShape
        actor={actor}
        x={14}
        y={14}
        r={11}
        colour={palette.partner[actor]}
        ink={palette.background.default}
      />
    </svg>
  );
}

/** Two strands that take turns. */
export function BrandMark() {
  const palette = usePalette();
  return (
    <svg width={44} height={44} viewBox="0 0 44 44" aria-hidden>
      <path
        d="M4 14C14 14 14 30 22 30S30 14 40 14"
        fill="none"
        stroke={palette.partner.A}
        strokeWidth={4}
        strokeLinecap="square"
      />
      <path
        d="M4 30C14 30 14 14 22 14S30 30 40 30"
        fill="none"
        stroke={palette.partner.B}
        strokeWidth={4}
        strokeLinecap="round"
      />
    </svg>
  );
}

/** A ring filled as far as something is done; the words beside it say so as well. */
export const FillRing = ({ share, size = 16 }: { share: 0 | 0.5 | 1; size?: number }) => (
  <Box
    component="span"
    aria-hidden
    sx={{
      width: size,
      height: size,
      flex: "none",
      borderRadius: "50%",
      border: 2,
      borderColor: "primary.main",
      backgroundImage: ({ vars, palette }) =>
        `linear-gradient(to top, ${(vars?.palette ?? palette).primary.main} ${share * 100}%, transparent ${share * 100}%)`,
    }}
  />
);
