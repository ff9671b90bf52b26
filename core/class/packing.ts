/** The blocks of an evening packed into its minutes: all of it, or what is left of one that runs. */
import type { School } from "../policy/school.ts";
import { listed } from "../vary/change-words.ts";
import { asGiven } from "./fit.ts";
import type { PlanRung } from "./plan-rung.ts";
import { minutesTaken, type Frozen } from "./frozen.ts";
import { gearFor, gearLabel } from "./gear.ts";
import type { PlanInput } from "./plan-types.ts";
import { closeTitle, themeOf, warmUpTitle } from "./theme.ts";
import { packClass, total, WARM_UP, type Block } from "./timetable.ts";
import { isForChildren, blockNeeds } from "./block-needs.ts";

/** The blocks of an evening that nobody has laid out yet, or of what is left of it. */
export function packedFrom({ frozen, ...input }: PlanInput, school: School) {
  const rungs = input.rungs.filter(({ past }) => !past);
  if (frozen.blocks.length === 0) return packedWhole({ ...input, rungs }, school);
  const taken = total(frozen.blocks) + minutesTaken(frozen);
  // Everybody is warm: the minutes of the warm-up that are packed first are taken out again.
  const packed = packedWhole({ ...input, rungs, minutes: input.minutes - taken + WARM_UP }, school);
  if (!packed.ok) return packed;
  const had = new Set(frozen.blocks.map(({ kind }) => kind));
  const ahead = packed.blocks
    .filter(({ kind }) => kind !== "warm-up" && !(kind === "drink" && had.has("drink")))
    .map((block) => ({ ...block, id: `${block.id}-from-${frozen.blocks.length}` }));
  const [first, ...more] = [...gearBlock(input.rungs, frozen, school), ...ahead];
  return first
    ? { ok: true as const, blocks: [{ ...first, minutes: first.minutes + minutesTaken(frozen) }, ...more] }
    : packed;
}

function packedWhole(input: Omit<PlanInput, "frozen">, school: School) {
  const theme = themeOf(input.rungs, school);
  const { minutes, rungs, clock } = input;
  const close = closeTitle(theme);
  return packClass(
    minutes,
    rungs.map((r) => r.title),
    clock,
    {
      warmUp: warmUpTitle(theme),
      ...blockNeeds(input),
      close: isForChildren(input) ? `${close}; nobody leaves but with who fetches them` : close,
    },
  );
}

/** Minutes to put gear away and take other gear, where the theme changes in mid-class. Common practice, no source. */
const CHANGE_GEAR = 2;

/** After another theme: what is put away and what is taken now, before it is shown. */
function gearBlock(rungs: PlanInput["rungs"], { blocks, rounds }: Frozen, school: School): Block[] {
  const before = rungs[rounds[rounds.length - 1]?.pairs[0]?.rung ?? -1];
  const next = rungs.find(({ past }) => !past);
  if (!before?.past || !next) return [];
  const kinds = (rung: PlanRung) => Object.keys(gearFor(asGiven(rung, { a: undefined, b: undefined }, school)));
  const [had, has] = [kinds(before), kinds(next)];
  const away = had.filter((kind) => !has.includes(kind)).map(gearLabel);
  const taken = has.filter((kind) => !had.includes(kind)).map(gearLabel);
  const said = [
    ...(away.length > 0 ? [`put away ${listed(away)}`] : []),
    ...(taken.length > 0 ? [`take ${listed(taken)}`] : []),
  ];
  if (said.length === 0) return [];
  return [
    {
      ...{ id: `gear-from-${blocks.length}`, kind: "drink", title: `Change gear: ${said.join("; ")}` },
      ...{ minutes: CHANGE_GEAR, rung: null, rounds: 0, locked: false },
    },
  ];
}
