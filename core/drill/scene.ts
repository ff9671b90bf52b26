/** One exchange at the moment of contact as a drawing of the target needs it: zones, covers, the line of the attack. */
import type { CheckedExchange, PadPlace } from "../exchange/types.ts";
import { coverLines, lineAt, type CoverContext, type Line } from "../exchange/cover.ts";
import { zoneClearance } from "../exchange/clear.ts";
import { MODEL } from "../exchange/constants.ts";
import { HIT_ZONES, type HitZone } from "../body/body.ts";
import { newZone, zoneInto, type Zone } from "../body/state.ts";

/** A zone of the receiver, in their frontal plane as launched: u to their right, w up, m. */
interface SceneZone {
  readonly zone: HitZone;
  readonly u: number;
  readonly w: number;
  readonly hu: number;
  readonly hw: number;
  /** Clearance from the attack, m; negative where it is met. */
  readonly margin: number;
}

interface SceneCover {
  readonly move: string;
  /** A line of a limb or weapon, or the one place where a hand meets the attack. */
  readonly line: Line;
  readonly radius: number;
  readonly works: boolean;
}

/** An exchange at contact for a drawing of the target, m. */
export interface Scene {
  /** Where the zones are when the attack arrives, and where they were before the answer. */
  readonly zones: readonly SceneZone[];
  readonly before: readonly Omit<SceneZone, "margin">[];
  readonly covers: readonly SceneCover[];
  /** Forearms that are in guard and do nothing else. */
  readonly guard: readonly Line[];
  /** Pads that whoever is drawn holds up. */
  readonly pads: readonly PadPlace[];
  /** The attack: a strip for a round blow, a disc for a straight one. */
  readonly attack: {
    readonly aim: { readonly u: number; readonly w: number };
    /** Where the strip begins and ends; both the aim for a straight blow. */
    readonly from: { readonly u: number; readonly w: number };
    readonly to: { readonly u: number; readonly w: number };
    readonly radius: number;
    readonly clock: number | null;
  } | null;
}

/** Whoever holds a pad as the one who hits it sees them: nothing attacks. */
function padScene({ contact, pads }: CheckedExchange): Scene | null {
  if (!contact || pads.length === 0) return null;
  const holder = contact.attacker;
  const zones = HIT_ZONES.map((zone, index) => {
    const { u, w, hu, hw } = zoneInto(newZone(), holder, index);
    return { zone, u, w, hu, hw, margin: MODEL.marginCap };
  });
  return { zones, before: [], covers: [], guard: [], pads, attack: null };
}

/** The scene of an exchange; null where no blow comes and no pad is up (pushes, feeds that could not be read). */
export function sceneOf(e: CheckedExchange): Scene | null {
  const { blow, contact } = e;
  if (!blow || !contact) return padScene(e);
  const { receiver, attacker, right, forward } = contact;
  const upright = { ...receiver, posture: blowPosture(e) };
  const at = (z: Zone) => ({ u: z.u, w: z.w, hu: z.hu, hw: z.hw });
  const zones = HIT_ZONES.map((zone, index): SceneZone => {
    const z = zoneInto(newZone(), receiver, index);
    return { zone, ...at(z), u: z.u + right, margin: zoneClearance(blow, z, right, forward) };
  });
  const before = HIT_ZONES.map((zone, index) => ({ zone, ...at(zoneInto(newZone(), upright, index)) }));
  const { aim, from, runUp, follow, radius, clock } = blow;
  return {
    zones,
    before,
    pads: [],
    covers: coversOf(e, { state: receiver, right, forward, moved: [] }, attacker),
    guard: guardLines(contact),
    attack: {
      aim: { u: aim.u, w: aim.w },
      from: from ? { u: aim.u + from.u * runUp, w: aim.w + from.w * runUp } : aim,
      to: from ? { u: aim.u - from.u * follow, w: aim.w - from.w * follow } : aim,
      radius,
      clock,
    },
  };
}

/** Where the forearms of an answerer are that neither work nor are held, m; they go with the head. */
function guardLines({ receiver, right, busy }: NonNullable<CheckedExchange["contact"]>): Line[] {
  const { arms } = receiver.guard;
  if (!arms || receiver.open) return [];
  const { height } = receiver.body;
  const { head } = receiver.posture;
  return (["left", "right"] as const)
    .filter((side) => !busy.includes(side))
    .map((side): Line => {
      const { elbow, knuckles } = arms[side === receiver.lead ? "lead" : "rear"];
      const at = (u: number) => right + head.u + (side === "left" ? -u : u) * height;
      return [at(elbow.u), elbow.w * height + head.w, at(knuckles.u), knuckles.w * height + head.w];
    });
}

/** The posture the attack was aimed at: only the head's place is kept with an exchange; the rest stands. */
function blowPosture(e: CheckedExchange) {
  const head = e.before.find((pose) => pose.actor === e.responder)?.head;
  const { posture } = e.contact!.receiver;
  const still = { u: 0, w: 0, d: 0 };
  return {
    ...posture,
    head: head ?? still,
    chest: still,
    belly: still,
    hips: still,
    legs: still,
    legBack: { left: 0, right: 0 },
  };
}

/** Half the length of the mark of a hand that pushes an attack aside, m. */
const PALM = 0.05;

function coversOf(
  e: CheckedExchange,
  move: CoverContext["move"],
  attacker: NonNullable<CheckedExchange["contact"]>["attacker"],
): SceneCover[] {
  const blow = e.blow!;
  const covers: SceneCover[] = [];
  for (const use of e.answer) {
    const works = (by: string) => e.layers.some((l) => l.use === use && l.by === by && l.fails === null);
    for (const m of use.move.answer ?? []) {
      const context: CoverContext = { blow, use, uses: e.answer, move, attacker, stretch: 0 };
      if (m.by === "interpose" && m.segments)
        for (const { line, radius } of coverLines(m, context))
          covers.push({ move: use.text, line, radius, works: works("interpose") });
      else if (m.by === "interpose" || m.by === "deflect") {
        const depth = m.by === "deflect" ? blow.aim.d + MODEL.parryAhead : m.depth + move.forward;
        const { u, w } = blow.from ? blow.aim : lineAt(blow, depth);
        covers.push({ move: use.text, line: [u, w - PALM, u, w + PALM], radius: PALM, works: works(m.by) });
      }
    }
  }
  return covers;
}
