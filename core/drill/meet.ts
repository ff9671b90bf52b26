/** Two blows that meet: the same clock line in each other's frame, the same height, both in reach. */
import { metres, type Metres } from "../base/units.ts";
import { MODEL } from "../exchange/constants.ts";
import { emptyExchange } from "../exchange/empty.ts";
import type { Blow, CheckedExchange, Contact, Feed, Layer } from "../exchange/types.ts";
import { poses, type Done, type Setting } from "../exchange/exchange.ts";
import { launch, limbKind, limbSide } from "../exchange/blow.ts";
import { limbFindings } from "../exchange/limbs.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import { distanceOf, legWord, openState, withBody, type World } from "../body/state.ts";
import type { DoneBeat, MoveUse } from "../read/types.ts";
import { otherSide } from "../score/person.ts";

/** Heights further apart than this do not meet, m. */
const SAME_HEIGHT = 0.25;

/** Returns `A ... <> B ...` as it was judged; both step in as far as their blows need and go back. */
export function checkMeeting(
  one: Feed,
  two: Feed,
  beats: readonly [DoneBeat, DoneBeat],
  world: World,
  setting: Setting,
): Done {
  const { row } = one;
  const a = world[one.actor]!;
  const b = world[two.actor]!;
  const span = { from: one.use.from, to: two.use.to };
  const before = poses(world);
  const blowA = launch(one, a, b, 0);
  const blowB = launch(two, b, a, 0);
  const findings: FindingDraft[] = [
    ...limbFindings(beats[0].uses, row, world, one.actor, null),
    ...limbFindings(beats[1].uses, row, world, two.actor, null),
  ];
  // Each aims at a height of the other: what differs between a tall and a short body the strokes take up.
  const margin = SAME_HEIGHT - Math.abs(blowA.aim.w / b.body.scale - blowB.aim.w / a.body.scale);
  const why =
    linesApart(blowA, blowB) ?? (findings.length === 0 ? placesApart([blowA, blowB], margin, distanceOf(a, b)) : null);
  if (why) findings.push(draft(row, span, "no-meet", { why }));
  const after = leaveMiddle(two, leaveMiddle(one, world));
  const met = metres(Math.min(margin, MODEL.marginCap));
  const exchange: CheckedExchange = {
    ...emptyExchange(
      {
        ...span,
        row,
        feed: one.use,
        feedText: one.use.text,
        feeder: one.actor,
        responder: two.actor,
        answerSpan: { from: two.use.from, to: two.use.to },
        before,
        after: poses(after),
      },
      setting,
    ),
    beat: [two.use],
    answer: [two.use],
    answerText: two.use.text,
    verdict: findings.some((f) => f.severity === "error") ? "invalid" : "valid",
    margin: met,
    layers: [metBy(two.use, met, findings.length > 0 ? "open" : null)],
    findings,
    blow: blowA,
    contact: together(after, one, two, blowB),
  };
  return { exchange, world: after };
}

const metBy = (use: MoveUse, margin: Metres, fails: Layer["fails"]): Layer => ({
  use,
  by: "meet",
  margin,
  fails,
  detail: {},
  bareLimb: false,
});

const together = (world: World, one: Feed, two: Feed, { side }: Blow): Contact => ({
  attacker: world[one.actor]!,
  receiver: world[two.actor]!,
  right: 0,
  forward: 0,
  busy: [side],
});

/** Clock lines further apart than this do not meet, hours. */
const SAME_HOUR = 0.26;

/** Why two blows do not come along one line; null where they do. */
function linesApart({ clock: one }: Blow, { clock: two }: Blow): string | null {
  if (one === null || two === null) return "a straight blow has no line to meet on";
  if ((one === 12 || one === 6) && one === two) return "two that fall or rise on the same line pass each other";
  if (one === 12 || one === 6 || Math.abs(one - two) > SAME_HOUR)
    return `one comes from ${round(one)} and the other from ${round(two)} on the clock`;
  return null;
}

/** Most of a blow's way that may be missing where two meet: each needs to reach the middle only. */
const HALF_WAY = 0.5;

/** Why two blows on one line do not meet: their heights, or how far apart the bodies stand; null where they do. */
function placesApart(blows: readonly [Blow, Blow], margin: number, distance: number): string | null {
  if (margin < 0) return "one is high and the other low";
  // Each blow must reach the middle between them with its own step.
  const short = blows.some((blow) => blow.origin.d + blow.step - distance / 2 - Math.max(0, blow.missing) < 0);
  return short || blows[0].missing > HALF_WAY ? "they are too far apart" : null;
}

/** After a meeting the weapon is in the middle, free for either side. */
function leaveMiddle({ use, actor }: Feed, world: World): World {
  const state = openState(world[actor]!);
  if (limbKind(use) === "hand") state.chamber = "middle";
  if (use.move.attack?.leaves) state.weight = legWord(state, otherSide(limbSide(use, state, null)));
  return withBody(world, state);
}

const round = (x: number) => Math.round(x * 10) / 10;
