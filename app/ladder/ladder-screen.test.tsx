/** The ladder screen and its parts as the server writes them. */
import { scoreView } from "#core/formats/desk-view.ts";
import { coachingOf } from "#core/ladder/coaching.ts";
import { GOALS, LADDER_DEFAULTS } from "#core/ladder/ladder-options.ts";
import { checkFor } from "#core/policy/judge.ts";
import { parse } from "#core/score/parse.ts";
import { OPERATORS } from "#core/vary/operator-names.ts";
import { Cycles } from "./cycles.tsx";
import { Join } from "./join.tsx";
import { LadderPath } from "./ladder-path.tsx";
import { LadderScreen } from "./ladder-screen.tsx";
import { RungCoaching } from "./rung-coaching.tsx";
import { RungItem } from "./rung-item.tsx";
import { TakeLadder } from "./take-ladder.tsx";
import { toolsFrom, WishBar, type Wishes } from "./wishes.tsx";
import { html, text } from "../ui/testing.tsx";

const TEXT = "title: Quay\n\nA jab -> B slip out, cross\n";
const view = scoreView(checkFor(parse(TEXT)));
const rung = { text: TEXT, operator: "mirror", parameters: {}, changed: "Everything on the other side", view };
const change = { ...rung, operator: "mirror" as const, rows: 1 };
const wishes: Wishes = { rungs: 8, goal: "half", seed: 1, operators: LADDER_DEFAULTS.operators, tools: ["stick"] };
const nothing = () => undefined;

test("the ladder says what it is of, and has its four parts", () => {
  const page = text(
    <LadderScreen
      id="d"
      title="Quay"
      text={TEXT}
      revisionId="r"
      gear={[{ kind: "stick", count: 12 }]}
      others={[]}
      classes={[]}
      today="2026-11-25"
    />,
  );
  expect(page).toMatch(/Ladder of Quay .*Ladder All variations Loops Combine drills/);
  expect(page).toMatch(/Up to .*1\.5 times as hard/);
});

describe("what is wished", () => {
  test("rungs, a goal by name, and how many changes may be used", () => {
    const bar = text(<WishBar wishes={wishes} onChange={nothing} />);
    expect(bar).toContain(GOALS.half.words);
    expect(bar).toContain(`Allowed changes (${wishes.operators.length} of ${OPERATORS.length})`);
    expect(bar).not.toMatch(/Tools:/);
  });
  test("tools are asked for only where a tool may change", () => {
    const bar = text(<WishBar wishes={{ ...wishes, operators: ["other-tool"] }} onChange={nothing} />);
    expect(bar).toMatch(/Tools \(1 of \d\)/);
  });
});

describe("one rung", () => {
  const item = (more: object = {}) => (
    <RungItem rung={rung} name="3. Other side" before={{ text: TEXT, view: null }} most={10} revisionId="r" {...more} />
  );
  test("has its verdict, its name, what changes, how hard it is", () => {
    const page = html(item());
    expect(page).toMatch(/aria-label="(sound|risky)"/);
    expect(text(item())).toMatch(/3\. Other side Everything on the other side .*Compare Save as a drill/);
    expect(text(item())).toContain(view.load.total.toFixed(1));
  });
  test("takes more to do, and more below", () => {
    expect(text(item({ actions: <button>Pin</button>, more: <p>others</p> }))).toMatch(
      /Pin Compare Save as a drill others/,
    );
  });
});

test("the whole ladder can be taken, and only where there are rungs", () => {
  const take = (count: number) => (
    <TakeLadder
      title="Quay"
      revisionId="r"
      seed={1}
      rungs={Array.from({ length: count }, () => change)}
      classes={[]}
      today="2026-11-25"
    />
  );
  expect(html(take(3))).not.toMatch(/disabled=""/);
  expect(html(take(1))).toMatch(/disabled=""/);
});
test("cycles start from strokes where sticks are held, else from feeds and answers", () => {
  const sticks = "A: holds stick 71 cm\nB: holds stick 71 cm\n\nA forehand high -> B block high\n";
  expect(text(<Cycles text={sticks} revisionId="r" others={[]} />)).toMatch(/forehand high .*backhand low/);
  expect(text(<Cycles text={TEXT} revisionId="r" others={[]} />)).toMatch(/jab .*parry/);
});
test("joining asks for the other drill first", () => {
  expect(text(<Join text={TEXT} revisionId="r" others={[{ id: "x", title: "Weave", text: TEXT }]} />)).toMatch(
    /Choose a drill: the shortest run of steps/,
  );
});
test("tools of a ladder are those of which there is enough for a pair", () => {
  expect(toolsFrom([{ kind: "stick", count: 3 }])).toEqual(["empty hand", "stick", "stick against hands"]);
  expect(toolsFrom([{ kind: "mitts", count: 1 }])).toEqual(["empty hand", "pads"]);
});

describe("the way up", () => {
  const lower = checkFor(parse("A jab -> B slip out\n"));
  const upper = checkFor(parse("A jab -> B slip out\nA lead hook -> B weave\n"));
  const rungs = [
    { changed: "Jab, slip out", view: scoreView(lower), coaching: coachingOf(lower, null, null) },
    { changed: "Add the lead hook", view: scoreView(upper), coaching: coachingOf(upper, lower, "rows") },
  ];
  test("is a stair: each rung with its change, its tempo and a link to it, a pin in words", () => {
    const page = html(<LadderPath rungs={rungs} pins={[1]} />);
    expect(page).toMatch(/href="#rung-1".*Jab, slip out.*href="#rung-2".*, kept.*Add the lead hook/s);
    // Only what is new is drawn on the second.
    expect(page.match(/>weave</g)).toHaveLength(1);
    expect(page.match(/>slip out</g)).toHaveLength(1);
  });
  test("what is said stands with the text, whose new row is marked and named", () => {
    const { coaching } = rungs[1]!;
    const said = (
      <RungCoaching
        text={"A jab -> B slip out\nA lead hook -> B weave"}
        before="A jab -> B slip out"
        coaching={coaching}
      />
    );
    expect(text(said)).toMatch(/A jab -> B slip out A lead hook -> B weave \(new\)/);
    expect(text(said)).toContain(`Say ${coaching.cues.join(" ")}`);
    expect(text(said)).toContain(`Watch ${coaching.fault}`);
    expect(text(said)).toContain(coaching.feeder);
    expect(text(said)).toContain(coaching.goOn);
  });
});
