/** Two blows that meet: the same clock line in each other's frame, the same height, both in reach. */
import type { CheckedExchange, Feed } from "../exchange/types.ts";
import { poses, type Setting } from "../exchange/exchange.ts";
import { launch, limbKind, limbSide } from "../exchange/blow.ts";
import { limbFindings } from "../exchange/limbs.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import { cloneState, distanceOf, type World } from "../body/state.ts";
import type { Row } from "../score/types.ts";
import type { ResolvedBeat } from "../read/resolve.ts";
import { otherSide } from "../score/person.ts";

/** Heights further apart than this do not meet, m. */
const SAME_HEIGHT = 0.25;

/** Checks `A ... <> B ...`; both step in as far as their blows need and go back. */
export function checkMeeting(
  one: Feed,
  two: Feed,
  beats: readonly [ResolvedBeat, ResolvedBeat],
  world: World,
  setting: Setting,
): CheckedExchange {
  const row: Row = one.row;
  const a = world[one.actor]!;
  const b = world[two.actor]!;
  const findings: FindingDraft[] = [];
  findings.push(
    ...limbFindings(beats[0].uses, row, world, one.actor, null),
    ...limbFindings(beats[1].uses, row, world, two.actor, null),
  );
  const before = poses(world);
  const blowA = launch(one, a, b, 0);
  const blowB = launch(two, b, a, 0);
  const span = { from: one.use.from, to: two.use.to };
  const no = (why: string) => findings.push(draft(row, span, "no-meet", { why }));
  if (blowA.clock === null || blowB.clock === null) no("a straight blow has no line to meet on");
  else if (blowA.clock === 12 || blowA.clock === 6) {
    if (blowB.clock === blowA.clock) no("two that fall or rise on the same line pass each other");
    else no(`one comes from ${blowA.clock} and the other from ${blowB.clock} on the clock`);
  } else if (Math.abs(blowA.clock - blowB.clock) > 0.26)
    no(`one comes from ${round(blowA.clock)} and the other from ${round(blowB.clock)} on the clock`);
  const apart = Math.abs(blowA.aim.w / a.body.scale - blowB.aim.w / b.body.scale);
  const margin = SAME_HEIGHT - apart;
  if (findings.length === 0 && margin < 0) no("one is high and the other low");
  // Each blow must reach the middle between them with its own step.
  const half = distanceOf(a, b) / 2;
  for (const blow of [blowA, blowB]) {
    const reach = blow.origin.d + blow.step - half - (blow.missing > 0 ? blow.missing : 0);
    if (reach < 0 && findings.length === 0) no("they are too far apart");
  }
  if (blowA.missing > 0.5 && findings.length === 0) no("they are too far apart");
  for (const feed of [one, two]) {
    const state = world[feed.actor]!;
    // After a meeting the weapon is in the middle, free for either side.
    state.chamber = limbKind(feed.use) === "hand" ? "middle" : state.chamber;
    const side = limbSide(feed.use, state, null);
    if (feed.use.move.attack?.leaves) state.weight = otherSide(side) === state.lead ? "lead" : "rear";
  }
  return {
    ...span,
    row,
    label: setting.label,
    section: setting.section,
    pass: setting.pass,
    feed: one.use,
    feedText: one.use.text,
    feeder: one.actor,
    beat: [two.use],
    answer: [two.use],
    responder: two.actor,
    answerSpan: { from: two.use.from, to: two.use.to },
    verdict: findings.some((f) => f.severity === "error") ? "invalid" : "valid",
    margin: Math.min(margin, 0.15),
    robust: 1,
    ceiling: null,
    times: null,
    layers: [
      {
        use: two.use,
        by: "meet",
        margin: Math.min(margin, 0.15),
        fails: findings.length > 0 ? "open" : null,
        detail: {},
        bareLimb: false,
      },
    ],
    ends: null,
    returns: [],
    followUps: [],
    findings,
    blow: blowA,
    contact: {
      attacker: cloneState(a),
      receiver: cloneState(b),
      right: 0,
      forward: 0,
      busy: [blowB.side],
    },
    before,
    after: poses(world),
  };
}

const round = (x: number) => Math.round(x * 10) / 10;
