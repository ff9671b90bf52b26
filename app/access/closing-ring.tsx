/** What the application does, as one drawing: a feed that gets through, and the answer that closes its ring. */
import Box from "@mui/material/Box";
import { keyframes } from "@mui/material/styles";
import { PartnerShape, RingShape } from "../ui/marks.tsx";
import { usePalette } from "../ui/palette.ts";

const WIDTH = 420;
const TOP = 44;
const BELOW = 124;
const MEETS = 220;

const leaves = keyframes`0%, 45% { opacity: 1 } 60%, 100% { opacity: 0 }`;
const comes = keyframes`0%, 45% { opacity: 0 } 60%, 100% { opacity: 1 }`;
const SECONDS = 4;

/** Once, when the page is opened; the end alone for whoever wants nothing to move. */
const stage = (frames: ReturnType<typeof keyframes>, atEnd: 0 | 1) => ({
  opacity: atEnd,
  animation: `${frames} ${SECONDS}s ease-in-out both`,
  "@media (prefers-reduced-motion: reduce)": { animation: "none" },
});

export function ClosingRing() {
  const palette = usePalette();
  const words = (x: number, y: number, text: string, fill: string, anchor: "start" | "middle" = "middle") => (
    <text x={x} y={y} fontSize={17} textAnchor={anchor} fill={fill}>
      {text}
    </text>
  );
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${WIDTH} 172`}
      role="img"
      aria-label="A lead hook, answered by a slip: broken. Answered by a cover: sound."
      sx={{ display: "block", width: "100%", maxWidth: 460, height: "auto" }}
    >
      <g fill="none" strokeWidth={3.5}>
        <path d={`M52 ${TOP}H${WIDTH - 8}`} stroke={palette.partner.A} />
        <path d={`M52 ${BELOW}H${WIDTH - 8}`} stroke={palette.partner.B} />
        <path
          d={`M92 ${TOP}C150 ${TOP} 150 ${BELOW} ${MEETS - 14} ${BELOW}`}
          stroke={palette.partner.A}
          strokeWidth={2.5}
        />
      </g>
      <PartnerShape actor="A" x={30} y={TOP} r={14} colour={palette.partner.A} ink={palette.background.default} />
      <PartnerShape actor="B" x={30} y={BELOW} r={14} colour={palette.partner.B} ink={palette.background.default} />
      {words(92, TOP - 14, "lead hook", palette.partner.A, "start")}
      <circle cx={MEETS} cy={BELOW} r={16} fill={palette.background.default} />
      <Box component="g" sx={stage(leaves, 0)}>
        <RingShape verdict="broken" x={MEETS} y={BELOW} r={12} colour={palette.verdict.invalid} />
        {words(MEETS, BELOW + 36, "slip: it still lands", palette.verdict.invalid)}
      </Box>
      <Box component="g" sx={stage(comes, 1)}>
        <RingShape verdict="sound" x={MEETS} y={BELOW} r={12} colour={palette.verdict.valid} />
        {words(MEETS, BELOW + 36, "cover", palette.partner.B)}
        <path
          d={`M${MEETS + 50} ${BELOW}C${MEETS + 90} ${BELOW} ${MEETS + 90} ${TOP} ${MEETS + 130} ${TOP + 4}`}
          fill="none"
          stroke={palette.partner.B}
          strokeWidth={2.5}
        />
        <circle cx={MEETS + 130} cy={TOP + 4} r={5} fill={palette.partner.B} />
        {words(MEETS + 130, TOP - 14, "cross", palette.partner.B)}
      </Box>
    </Box>
  );
}
