/** The exchanges of one row as floor and target show them: plain values, metres and degrees. */
import type { VerdictName } from "../base/verdict-words.ts";
import { shownOf } from "../drill/shown.ts";
import type { CheckedExchange, FollowUp, Pose } from "../exchange/types.ts";
import type { Checked } from "../drill/types.ts";
import { sceneOf, type Scene } from "../drill/scene.ts";
import { bodyOf } from "../body/body.ts";
import { HALF_STANCE } from "../body/anthropometry.ts";
import { MODEL } from "../exchange/constants.ts";
import type { Side } from "../score/person.ts";
import type { Actor } from "../score/types.ts";

/** A person on the floor. x right, y forward, heading in degrees counted from y to the right. */
export interface FigureView {
  readonly actor: Actor;
  readonly x: number;
  readonly y: number;
  readonly heading: number;
  readonly lead: Side;
  readonly weight: Pose["weight"];
  readonly pinned: readonly Side[];
  readonly busy: readonly Side[];
  /** Head against the feet: to the own right and forward, m. */
  readonly head: { readonly right: number; readonly forward: number };
  readonly height: number;
  /** Straight arm with what the weapon hand holds, from the own centre, m. */
  readonly reach: number;
  readonly halfShoulders: number;
  readonly halfStance: number;
}

/** An exchange for the drawings of floor and target. */
export interface SceneView {
  readonly key: string;
  readonly from: number;
  readonly to: number;
  readonly feed: string;
  readonly answer: string;
  readonly feeder: Actor;
  readonly responder: Actor;
  readonly verdict: VerdictName;
  readonly marginCm: number | null;
  /** ms at full speed: first sign to contact, and contact to the next feed. */
  readonly contactMs: number;
  readonly recoverMs: number;
  readonly before: readonly FigureView[];
  readonly contact: readonly FigureView[];
  readonly after: readonly FigureView[];
  /** Path of the attack on the floor; null for pushes and what could not be read. */
  readonly path: { readonly limb: string; readonly side: Side; readonly bend: number } | null;
  /** What the feeder's other limbs still command: sector in degrees about their heading. */
  readonly threats: readonly FollowUp[];
  readonly sector: readonly [number, number];
  readonly target: Scene | null;
  /** Pads on the floor, from the centre of whoever holds them: to their right and forward, m. */
  readonly pads: readonly { readonly words: string; readonly right: number; readonly forward: number }[];
  /** Who is drawn as the target: whoever answers, or holds the pads. */
  readonly seen: Actor;
  /** Height of that person, m: the target's scale. */
  readonly tall: number;
}

/** Contact and recovery of a feed that has no times of its own, ms. */
const USUAL_MS = 300;

/** The exchanges of one row of the text, in order. */
export function sceneViews(checked: Checked, row: number): SceneView[] {
  return checked.exchanges.filter((e) => e.row.index === row && e.pass !== 2).map((e, i) => sceneView(e, checked, i));
}

function sceneView(e: CheckedExchange, { header }: Checked, index: number): SceneView {
  const figures = (poses: readonly Pose[]) => poses.map((pose) => figure(pose, poses, header.people[pose.actor]));
  const before = figures(e.before);
  const after = figures(e.after);
  const base = e.row.from;
  const seen = e.pads.length > 0 ? e.feeder : e.responder;
  return {
    key: `${e.row.index}:${index}`,
    from: base + e.from,
    to: base + e.to,
    feed: e.feedText,
    answer: e.answerText,
    feeder: e.feeder,
    responder: e.responder,
    verdict: shownOf(e),
    marginCm: e.margin === null ? null : Math.round(e.margin * 1000) / 10,
    contactMs: Math.round(e.times?.contact ?? e.feed?.move.attack?.contact ?? USUAL_MS),
    recoverMs: e.feed?.move.attack?.recover ?? USUAL_MS,
    before,
    contact: before.map((f) => atContact(f, e)),
    after,
    path: e.blow && {
      limb: e.blow.limb,
      side: e.blow.side,
      // A round blow swings wide to the side it comes from, seen from the receiver.
      bend: e.blow.from ? Math.round(e.blow.from.u * 100) / 100 : 0,
    },
    threats: e.followUps,
    sector: MODEL.sector,
    target: sceneOf(e),
    pads: e.pads.map(({ blow, side, u, d }) => ({ words: `${side} pad for the ${blow}`, right: u, forward: d })),
    seen,
    tall: header.people[seen].height,
  };
}

function figure(pose: Pose, all: readonly Pose[], person: Parameters<typeof bodyOf>[0]): FigureView {
  const body = bodyOf(person);
  const other = all.find((p) => p.actor !== pose.actor) ?? pose;
  return {
    actor: pose.actor,
    x: pose.x,
    y: pose.y,
    heading: headingTo(pose, other),
    lead: pose.lead,
    weight: pose.weight,
    pinned: pose.pinned,
    busy: [],
    head: { right: pose.head.u, forward: pose.head.d },
    height: person.height,
    reach: body.arm + (person.holds ? Math.max(0, person.holds.length - 0.1) : 0),
    halfShoulders: body.halfShoulders,
    halfStance: HALF_STANCE * person.height,
  };
}

/** The two of the exchange at contact; anybody else stays where they were. */
function atContact(f: FigureView, e: CheckedExchange): FigureView {
  const { contact } = e;
  if (!contact) return f;
  const state =
    f.actor === contact.receiver.actor
      ? contact.receiver
      : f.actor === contact.attacker.actor
        ? contact.attacker
        : null;
  if (!state) return f;
  const other = state === contact.receiver ? contact.attacker : contact.receiver;
  const { head } = state.posture;
  return {
    ...f,
    x: state.x,
    y: state.y,
    heading: headingTo(state, other),
    lead: state.lead,
    weight: state.weight,
    busy: state === contact.receiver ? contact.busy : e.blow && e.blow.limb === "hand" ? [e.blow.side] : [],
    head: { right: head.u, forward: head.d },
  };
}

/** Degrees from the y axis to the right, of the way from one place to another. */
const headingTo = (from: { x: number; y: number }, to: { x: number; y: number }): number =>
  from.x === to.x && from.y === to.y ? 0 : (Math.atan2(to.x - from.x, to.y - from.y) * 180) / Math.PI;
