/** The face on which the numbers of a set stand. */
import { CLOCK_SLOTS, slotOf, type ClockSlot } from "#core/words/clock-slots.ts";
import type { NumberingSet } from "#core/words/numbering.ts";
import { usePalette } from "../ui/palette.ts";

interface FaceProps {
  readonly set: NumberingSet;
  /** The number that the next place is for; null: nothing can be placed. */
  readonly picked: number | null;
  readonly onPlace: ((slot: ClockSlot) => void) | null;
}

const SIZE = 520;
const CENTRE = SIZE / 2;
const RADIUS = 196;
const R = 23;

export function ClockFace({ set, picked, onPlace }: FaceProps) {
  const palette = usePalette();
  const numbersAt = (slot: ClockSlot) =>
    (set.angles ?? []).flatMap((angle, i) => (slotOf(angle)?.key === slot.key ? [i + 1] : []));
  return (
    <svg
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      width="100%"
      style={{ display: "block", maxHeight: "64vh" }}
      role="group"
      aria-label={`${set.name} on a clock face, as the one who is attacked sees it`}
    >
      <circle cx={CENTRE} cy={CENTRE} r={RADIUS} fill="none" stroke={palette.hairline} strokeWidth={2} />
      <ellipse cx={CENTRE} cy={CENTRE - 96} rx={26} ry={32} fill={palette.text.secondary} opacity={0.12} />
      <rect
        x={CENTRE - 52}
        y={CENTRE - 62}
        width={104}
        height={150}
        rx={40}
        fill={palette.text.secondary}
        opacity={0.12}
      />
      <text x={16} y={24} fontSize={15} fill={palette.text.secondary}>
        their left
      </text>
      <text x={SIZE - 16} y={24} fontSize={15} textAnchor="end" fill={palette.text.secondary}>
        their right
      </text>
      {CLOCK_SLOTS.map((slot) => {
        const numbers = numbersAt(slot);
        return numbers.length === 0 && !onPlace ? null : (
          <SlotMark key={slot.key} slot={slot} numbers={numbers} picked={picked} onPlace={onPlace} />
        );
      })}
    </svg>
  );
}

interface SlotProps extends Pick<FaceProps, "picked" | "onPlace"> {
  readonly slot: ClockSlot;
  /** The numbers of the set that come from there. */
  readonly numbers: readonly number[];
}

/** A place on the face with its numbers; pressed to put the picked one there. */
function SlotMark({ slot, numbers, picked, onPlace }: SlotProps) {
  const palette = usePalette();
  const x = CENTRE + slot.x * RADIUS;
  const y = CENTRE + slot.y * RADIUS;
  const words = `${slot.words}${numbers.length > 0 ? `: ${numbers.join(" and ")}` : ""}`;
  const isPicked = picked !== null && numbers.includes(picked + 1);
  const shape = (
    <>
      <title>{words}</title>
      <circle
        cx={x}
        cy={y}
        r={R}
        fill={numbers.length > 0 ? palette.text.primary : palette.background.default}
        stroke={isPicked ? palette.primary.main : palette.text.secondary}
        strokeWidth={isPicked ? 5 : 1.5}
        strokeDasharray={numbers.length > 0 ? undefined : "3 4"}
      />
      <text
        x={x}
        y={y + 7}
        textAnchor="middle"
        fontSize={numbers.length > 1 ? 16 : 20}
        fontWeight={700}
        fill={numbers.length > 0 ? palette.background.default : palette.text.secondary}
      >
        {numbers.join("·")}
      </text>
      {slot.line === "thrust" && <circle cx={x} cy={y - R - 5} r={3} fill={palette.text.secondary} />}
    </>
  );
  if (!onPlace)
    return (
      <g role="img" aria-label={words}>
        {shape}
      </g>
    );
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`Put ${picked === null ? "it" : picked + 1} here: ${words}`}
      style={{ cursor: "pointer" }}
      onClick={() => onPlace(slot)}
      onKeyDown={(event) => {
        if (event.key !== "Enter" && event.key !== " ") return;
        event.preventDefault();
        onPlace(slot);
      }}
    >
      {shape}
    </g>
  );
}
