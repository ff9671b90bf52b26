/** The one who answers as the feeder sees them: zones, covers, the line of the attack, margins. */
import type { SceneView } from "#core/formats/scene-view.ts";
import { usePalette } from "../ui/palette.ts";
import { TARGET, targetLayout, type TargetLayout } from "./target-layout.ts";

/** `plain`: shapes only, for small pictures with a caption. */
export function TargetDrawing({ scene, plain = false }: { scene: SceneView; plain?: boolean }) {
  const palette = usePalette();
  const layout = targetLayout(scene);
  if (!layout) return null;
  const { zones, ghosts, covers, guard, attack, pads, hours, words, nearest } = layout;
  return (
    <svg
      viewBox={`0 0 ${TARGET.width} ${TARGET.height}`}
      width="100%"
      style={{ display: "block", maxHeight: "60vh" }}
      role="img"
      aria-label={`${scene.seen} as ${scene.seen === scene.feeder ? scene.responder : scene.feeder} sees them. ${words}`}
    >
      {!plain &&
        hours.map((h) => (
          <text key={h.hour} x={h.x} y={h.y + 5} textAnchor="middle" fontSize={14} fill={palette.text.secondary}>
            {h.hour}
          </text>
        ))}
      {ghosts.map((z) => (
        <ellipse
          key={z.zone}
          cx={z.cx}
          cy={z.cy}
          rx={z.rx}
          ry={z.ry}
          fill="none"
          stroke={palette.text.secondary}
          strokeDasharray="3 4"
        />
      ))}
      {zones.map((z) => (
        <ellipse
          key={z.zone}
          cx={z.cx}
          cy={z.cy}
          rx={z.rx}
          ry={z.ry}
          fill={palette.partner[scene.seen]}
          fillOpacity={z.met ? 0.08 : 0.2}
          stroke={z.met ? palette.verdict.invalid : palette.partner[scene.seen]}
          strokeWidth={z.met ? 3 : 1.5}
        >
          <title>{attack ? `${z.zone}: ${z.met ? "in the way of the attack" : `${z.cm} cm to spare`}` : z.zone}</title>
        </ellipse>
      ))}
      <GuardArms guard={guard} colour={palette.partner[scene.seen]} />
      <PadMarks pads={pads} colour={palette.partner[scene.responder]} />
      {attack && <AttackMark attack={attack} colour={palette.partner[scene.feeder]} />}
      {covers.map((c, i) => (
        <g key={i}>
          <title>{`${c.move}${c.works ? "" : ": does not stand in the way"}`}</title>
          <path
            d={`M${c.x1} ${c.y1}L${c.x2} ${c.y2}`}
            stroke={palette.text.primary}
            strokeWidth={c.width}
            strokeLinecap="round"
            opacity={c.works ? 0.55 : 0.25}
          />
        </g>
      ))}
      {nearest && !plain && (
        <text
          x={nearest.x}
          y={nearest.y}
          fontSize={17}
          fontWeight={700}
          fill={nearest.met ? palette.verdict.invalid : palette.text.primary}
        >
          {nearest.words}
        </text>
      )}
    </svg>
  );
}

/** The arms of the one who answers, where they are held before anything is answered. */
function GuardArms({ guard, colour }: { readonly guard: TargetLayout["guard"]; readonly colour: string }) {
  return guard.map((arm) => (
    <path
      key={arm.x1}
      d={`M${arm.x1} ${arm.y1}L${arm.x2} ${arm.y2}`}
      stroke={colour}
      strokeWidth={7}
      strokeLinecap="round"
      opacity={0.45}
    >
      <title>in guard</title>
    </path>
  ));
}

/** Where pads are held for the blow. */
function PadMarks({ pads, colour }: { readonly pads: TargetLayout["pads"]; readonly colour: string }) {
  const palette = usePalette();
  return pads.map((pad) => (
    <g key={pad.words}>
      <title>{pad.words}</title>
      <circle
        cx={pad.cx}
        cy={pad.cy}
        r={pad.r}
        fill={palette.background.default}
        stroke={palette.text.primary}
        strokeWidth={3}
      />
      <circle cx={pad.cx} cy={pad.cy} r={pad.r * 0.3} fill={colour} />
    </g>
  ));
}

/** The attack: a disc where a straight one comes, a strip with its way where it is round. */
function AttackMark({ attack, colour }: { attack: NonNullable<TargetLayout["attack"]>; colour: string }) {
  return attack.straight ? (
    <g>
      <circle cx={attack.x2} cy={attack.y2} r={attack.width / 2} fill={colour} opacity={0.75} />
      <circle cx={attack.x2} cy={attack.y2} r={attack.width / 2 + 6} fill="none" stroke={colour} strokeWidth={2} />
    </g>
  ) : (
    <g>
      <path
        d={`M${attack.x1} ${attack.y1}L${attack.x2} ${attack.y2}`}
        stroke={colour}
        strokeWidth={attack.width}
        strokeLinecap="round"
        opacity={0.35}
      />
      <path d={`M${attack.x1} ${attack.y1}L${attack.x2} ${attack.y2}`} stroke={colour} strokeWidth={2} />
      <path d={attack.arrow} fill={colour} />
    </g>
  );
}
