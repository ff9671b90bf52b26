/** The floor from above: feet, facing, reach, the attack's path, and what the feeder still commands. */
import type { FigureView, SceneView } from "#core/formats/scene-view.ts";
import { PartnerShape } from "../ui/marks.tsx";
import { usePalette } from "../ui/palette.ts";
import { arcOf, commanded, feetOf, floorScale, placeOf, type Frame } from "./floor-layout.ts";

const FLOOR = { width: 560, height: 470 } as const;
/** The arc of reach is drawn this far to either side of the heading, degrees. */
const SHOWN = 55;

interface FloorProps {
  readonly scenes: readonly SceneView[];
  readonly frame: Frame;
  /** Shapes only, for small pictures with a caption. */
  readonly plain?: boolean;
}

export function FloorDrawing({ scenes, frame, plain = false }: FloorProps) {
  const palette = usePalette();
  // The feeder below and the answerer above is how a drill is told; the floor's own y already does it.
  const to = floorScale(scenes, FLOOR.width, FLOOR.height);
  const path = (points: readonly { x: number; y: number }[]) =>
    points.map((p, i) => `${i === 0 ? "M" : "L"}${to.x(p.x).toFixed(1)} ${to.y(p.y).toFixed(1)}`).join("");
  const { scene } = frame.beat;
  const feeder = frame.figures.find((f) => f.actor === scene.feeder);
  const open = scene.threats.filter((t) => t.state === "open");
  return (
    <svg
      viewBox={`0 0 ${FLOOR.width} ${FLOOR.height}`}
      width="100%"
      style={{ display: "block", maxHeight: "52vh" }}
      role="img"
      aria-label={`The floor from above. ${words(frame)}`}
    >
      {!plain && <Metre x={14} y={FLOOR.height - 14} px={to.scale} colour={palette.text.secondary} />}
      {feeder &&
        frame.reached >= 1 &&
        open.map((t) => {
          const [from, till] = commanded(feeder, t.limb, scene.sector);
          const centre = `M${to.x(feeder.x)} ${to.y(feeder.y)}`;
          return (
            <path
              key={t.move}
              d={`${centre}${path(arcOf(feeder, feeder.reach, from, till)).replace("M", "L")}Z`}
              fill={palette.partner[scene.feeder]}
              opacity={0.1 + 0.12 * t.threat}
            >
              <title>{`${scene.feeder} can still throw: ${t.move}`}</title>
            </path>
          );
        })}
      {frame.figures.map((f) => (
        <path
          key={f.actor}
          d={path(arcOf(f, f.reach, -SHOWN, SHOWN))}
          fill="none"
          stroke={palette.partner[f.actor]}
          strokeWidth={1.5}
          strokeDasharray="6 5"
        />
      ))}
      {frame.figures.map((f) => (
        <Figure key={f.actor} f={f} to={to} />
      ))}
      <AttackPath frame={frame} to={to} />
      {feeder && scene.pads.map((pad) => <Pad key={pad.words} pad={pad} holder={feeder} to={to} />)}
    </svg>
  );
}

type Scale = ReturnType<typeof floorScale>;

function Figure({ f, to }: { f: FigureView; to: Scale }) {
  const palette = usePalette();
  const ink = palette.partner[f.actor];
  const left = placeOf(f, -f.halfShoulders, 0.02);
  const right = placeOf(f, f.halfShoulders, 0.02);
  const head = placeOf(f, f.head.right, 0.04 + f.head.forward);
  const nose = placeOf(f, f.head.right, 0.19 + f.head.forward);
  return (
    <g>
      {feetOf(f).map((foot) => (
        <g
          key={foot.side}
          transform={`translate(${to.x(foot.x)} ${to.y(foot.y)}) rotate(${f.heading + (foot.front ? 0 : (foot.side === "left" ? -1 : 1) * 40)})`}
        >
          <title>{`${f.actor}, ${foot.side} foot${foot.loaded ? ", carries the weight" : ""}`}</title>
          <rect
            x={-0.045 * to.scale}
            y={-0.13 * to.scale}
            width={0.09 * to.scale}
            height={0.26 * to.scale}
            rx={0.045 * to.scale}
            fill={foot.loaded ? ink : palette.background.default}
            stroke={ink}
            strokeWidth={2}
          />
        </g>
      ))}
      <path
        d={`M${to.x(left.x)} ${to.y(left.y)}L${to.x(right.x)} ${to.y(right.y)}`}
        stroke={ink}
        strokeWidth={0.1 * to.scale}
        strokeLinecap="round"
        opacity={0.55}
      />
      <path d={`M${to.x(head.x)} ${to.y(head.y)}L${to.x(nose.x)} ${to.y(nose.y)}`} stroke={ink} strokeWidth={3} />
      <PartnerShape
        actor={f.actor}
        x={to.x(head.x)}
        y={to.y(head.y)}
        r={0.1 * to.scale}
        colour={ink}
        ink={palette.background.default}
      />
      {(["left", "right"] as const).map((side) => {
        const at = placeOf(f, (side === "left" ? -1 : 1) * (f.halfShoulders + 0.05), 0.12);
        const pinned = f.pinned.includes(side);
        const busy = f.busy.includes(side);
        if (!pinned && !busy) return null;
        return (
          <g key={side}>
            <title>{`${f.actor}, ${side} hand ${pinned ? "held" : "at work"}`}</title>
            {pinned ? (
              <rect
                x={to.x(at.x) - 6}
                y={to.y(at.y) - 6}
                width={12}
                height={12}
                fill="none"
                stroke={palette.text.primary}
                strokeWidth={2.5}
              />
            ) : (
              <circle cx={to.x(at.x)} cy={to.y(at.y)} r={5} fill={palette.text.primary} />
            )}
          </g>
        );
      })}
    </g>
  );
}

/** A pad seen from above, where its holder has it. */
function Pad({ pad, holder, to }: { pad: SceneView["pads"][number]; holder: FigureView; to: Scale }) {
  const palette = usePalette();
  const at = placeOf(holder, pad.right, pad.forward);
  return (
    <g transform={`translate(${to.x(at.x)} ${to.y(at.y)}) rotate(${holder.heading})`}>
      <title>{`${holder.actor}: ${pad.words}`}</title>
      <rect
        x={-0.1 * to.scale}
        y={-0.03 * to.scale}
        width={0.2 * to.scale}
        height={0.06 * to.scale}
        rx={4}
        fill={palette.background.default}
        stroke={palette.text.primary}
        strokeWidth={3}
      />
    </g>
  );
}

function AttackPath({ frame, to }: { frame: Frame; to: Scale }) {
  const palette = usePalette();
  const { scene } = frame.beat;
  const feeder = frame.figures.find((f) => f.actor === scene.feeder);
  const target = scene.before.find((f) => f.actor === scene.responder);
  if (!feeder || !target || !scene.path) return null;
  const { side, bend, limb } = scene.path;
  const own = side === "left" ? -1 : 1;
  const start = placeOf(feeder, own * (limb === "hand" ? feeder.halfShoulders * 0.8 : 0.1), 0.05);
  const end = placeOf(target, 0, 0.08);
  // A round blow swings wide on its way; bend is the side it comes to, seen from the receiver.
  const wide = placeOf(target, bend * 0.55, 0.35);
  const share = Math.max(0.05, frame.reached);
  const tip = bend === 0 ? mix(start, end, share) : curveAt(start, wide, end, share);
  const d =
    bend === 0
      ? `M${to.x(start.x)} ${to.y(start.y)}L${to.x(tip.x)} ${to.y(tip.y)}`
      : `M${to.x(start.x)} ${to.y(start.y)}Q${to.x(start.x + (wide.x - start.x) * share)} ${to.y(start.y + (wide.y - start.y) * share)} ${to.x(tip.x)} ${to.y(tip.y)}`;
  return (
    <g>
      <title>{`${scene.feeder}: ${scene.feed}`}</title>
      <path d={d} fill="none" stroke={palette.partner[scene.feeder]} strokeWidth={4} strokeLinecap="round" />
      <circle cx={to.x(tip.x)} cy={to.y(tip.y)} r={6} fill={palette.partner[scene.feeder]} />
    </g>
  );
}

const mix = (a: { x: number; y: number }, b: { x: number; y: number }, t: number) => ({
  x: a.x + (b.x - a.x) * t,
  y: a.y + (b.y - a.y) * t,
});
const curveAt = (a: { x: number; y: number }, b: { x: number; y: number }, c: { x: number; y: number }, t: number) =>
  mix(mix(a, b, t), mix(b, c, t), t);

function Metre({ x, y, px, colour }: { x: number; y: number; px: number; colour: string }) {
  return (
    <g>
      <path d={`M${x} ${y - 5}V${y}H${x + px / 2}V${y - 5}`} fill="none" stroke={colour} strokeWidth={1.5} />
      <text x={x + px / 4} y={y - 5} textAnchor="middle" fontSize={14} fill={colour}>
        0.5 m
      </text>
    </g>
  );
}

/** The moment in words. */
export function words(frame: Frame): string {
  const { scene } = frame.beat;
  const [a, b] = [scene.feeder, scene.responder].map((actor) => frame.figures.find((f) => f.actor === actor));
  const apart = a && b ? `${Math.hypot(a.x - b.x, a.y - b.y).toFixed(2)} m apart` : "";
  const phase = frame.reached < 0.02 ? "before" : frame.reached < 1 ? "on the way" : "after contact";
  return `${scene.feeder} ${scene.feed}, ${scene.responder} ${scene.answer || "no answer"}, ${phase}; ${apart}.`;
}
