/** Operators on the frame: tempo, stance, roles, rules, contact, what it is for, a third person. */
import { CHANGES } from "../change-words.ts";
import { TRADE } from "../../trade/trade.ts";
import { lineNumber, share } from "../../base/units.ts";
import { isArmPart } from "../../body/parts.ts";
import { limbKind } from "../../exchange/blow.ts";
import { takenPart } from "../../exchange/limbs.ts";
import { cueOf } from "../../exchange/cue.ts";
import { gearFor } from "../../drill/safety.ts";
import { thrownIn } from "../../drill/shares.ts";
import { assess, wrongLines } from "../../policy/assess.ts";
import type { Checked } from "../../drill/types.ts";
import { CONTACTS, type Header } from "../../score/header.ts";
import { lineText } from "../../score/format.ts";
import { headerValue, linesOf } from "../../score/structure.ts";
import {
  blockRows,
  contextOf,
  headerRows,
  withHeader,
  withLines,
  written,
  type HeaderChanges,
  type Rows,
} from "../../score/edit.ts";
import { bestAnswer } from "../../answers/answers.ts";
import { readRows } from "../../answers/check-text.ts";
import type { ScoreLine } from "../../score/types.ts";
import {
  feedOf,
  personRow,
  plainLines,
  rebuilt,
  simpleLines,
  slower,
  titled,
  type Candidate,
  type Operator,
} from "./shared.ts";

const same = (checked: Checked, header: HeaderChanges): Rows => withHeader(checked.score, header);

/** Steps of tempo, shares of full speed. */
const STEP = 0.1;
const UPWARDS = [STEP, 1.5 * STEP, 2 * STEP];
/** At most half as fast again: more at once is another drill. */
const MOST_FASTER = 1.5;
const SLOWEST = 0.2;
const FASTEST = 1;

/** What is put on for a header that asks for more, and the rows that say so. */
interface Gear {
  readonly header: HeaderChanges;
  readonly pieces: readonly string[];
}
const NO_GEAR: Gear = { header: {}, pieces: [] };

/** What is not worn yet: as the check asks for it, and what is usual beside; hands that hold something take no gloves. */
function putOn(checked: Checked, next: Partial<Header>, usual: readonly string[] = []): Gear {
  const thrown = checked.exchanges.flatMap(thrownIn);
  const pieces = new Set<string>();
  const worn = checked.header.actors.map((actor) => {
    const { holds, wears } = checked.header.people[actor];
    const full = holds !== null || wears.includes("mitts");
    const asked = gearFor(actor, { ...checked.header, ...next }, thrown);
    const more = [...new Set([...asked, ...usual])]
      .filter((piece) => !wears.some((one) => one === piece))
      .filter((piece) => !full || piece !== "gloves");
    for (const piece of more) pieces.add(piece);
    return more.length === 0
      ? {}
      : personRow(checked, actor, (words) => [...words, ...more.map((piece) => `wears ${piece}`)]);
  });
  return { header: Object.assign({}, ...worn) as HeaderChanges, pieces: [...pieces] };
}

function tempo(checked: Checked, by: number): Candidate[] {
  const now = checked.header.tempo;
  const ceilings = checked.exchanges.flatMap((e) => (e.ceiling !== null && e.ceiling > 0 ? [e.ceiling] : []));
  const most = Math.min(FASTEST, ...ceilings);
  const next = Math.round((now + by) * 20) / 20;
  const far = next > Math.max(now * MOST_FASTER, now + STEP) + 1e-9;
  if (next < SLOWEST - 1e-9 || next > most + 1e-9 || far) return [];
  const percent = `${Math.round(next * 100)}%`;
  const gear = by > 0 ? putOn(checked, { tempo: share(next) }) : NO_GEAR;
  return [
    {
      operator: by > 0 ? "tempo-up" : "tempo-down",
      parameters: { tempo: percent },
      rows: same(checked, { ...titled(checked, percent), tempo: percent, ...gear.header }),
      changed: CHANGES.tempo(percent, by > 0 ? "up" : "down", gear.pieces),
    },
  ];
}
/** Returns the drill at higher tempos. */
export const tempoUp: Operator = (checked) => UPWARDS.flatMap((by) => tempo(checked, by));
/** Returns the drill at a lower tempo. */
export const tempoDown: Operator = (checked) => tempo(checked, -STEP);

/** Returns the drill with the other foot in front. */
export const oppositeStance: Operator = (checked) => {
  const lead = checked.header.people.B.lead === "left" ? "right" : "left";
  const change = personRow(checked, "B", (words) => [`lead ${lead}`, ...words.filter((w) => !/^lead /i.test(w))]);
  return [
    {
      operator: "opposite-stance",
      parameters: { lead },
      rows: same(checked, { ...titled(checked, `B leads ${lead}`), ...change }),
      changed: CHANGES.stance("B", lead),
    },
  ];
};

const LOOPS = 4;
/** Returns the drill with the roles exchanged. */
export const swapRoles: Operator = (checked) => {
  const lines = plainLines(checked);
  if (lines.length === 0 || checked.score.items.some((i) => i.kind !== "line")) return [];
  return [
    {
      operator: "swap-roles",
      parameters: { passes: LOOPS },
      rows: written(
        headerRows(checked.score, titled(checked, "roles change")),
        blockRows(
          { type: "loop", times: LOOPS, swap: true, sides: "written", onCount: false },
          lines.map((l) => lineText(l.item.line)),
        ),
      ),
      changed: CHANGES.roles(checked.header.actors.length),
    },
  ];
};

/** Rules that make the answerer do with less. Common practice, no source. */
const RESTRICTIONS = {
  feeder: ["no steps", "lead hand only", "rear hand only", "no hands"],
  flow: ["no steps"],
  sensitivity: ["no steps", "no hands", "eyes closed", "contact kept", "no resisting"],
  solo: [],
} as const;
/** Rules under which the same moves are another drill. */
const FELT = new Set<string>(["eyes closed", "contact kept", "no resisting"]);

/** Rows in which a rule may ask for another answer. */
const MOST_CHANGED = 1;

/** A rule for the answerer; where it forbids what they did, they answer otherwise. */
export const restriction: Operator = (checked, school) => {
  const all = [...linesOf(checked.score.items)];
  const lines = plainLines(checked);
  return RESTRICTIONS[checked.header.kind].flatMap((rule): Candidate[] => {
    const now = checked.header.rules.B;
    // Contact without hands, or with nobody to resist, is no rule.
    if (now.has(rule) || (rule === "contact kept" && now.has("no hands"))) return [];
    // Who fights for a hold resists, and lets go to take a better one.
    if ((rule === "contact kept" || rule === "no resisting") && !pushes(checked)) return [];
    const blind = rule === "eyes closed" ? slower(checked) : {};
    const header = { ...titled(checked, rule), "rules B": [...now, rule].join(", "), ...blind };
    const ruled = readRows(same(checked, header));
    const context = contextOf(ruled);
    const forbidden = wrongLines(assess(ruled, school), school);
    const changed = lines.flatMap((line) => {
      if (!forbidden.has(all.indexOf(line.item)) || line.feeder !== "A" || line.feeds.length !== 1) return [];
      const best = bestAnswer(context, feedOf(line), school);
      // One hand only says nothing to a leg.
      const byHand = !rule.endsWith("hand only") || (best && limbKind(best.exchange.answer[0]!) === "hand");
      return best && byHand ? [{ line, answer: best.text }] : [];
    });
    // Where nobody has to do anything else the rule would change nothing; with many other answers it is another drill.
    const few = changed.length <= (FELT.has(rule) ? 0 : MOST_CHANGED);
    if (changed.length < forbidden.size || !few || (changed.length === 0 && !FELT.has(rule))) return [];
    const of = (item: ScoreLine) => changed.find(({ line }) => line.item === item);
    const rows = withLines(
      checked.score,
      (item) => {
        const other = of(item);
        return other ? rebuilt(other.line, { answers: [other.answer, ...other.line.answers.slice(1)] }) : item.line;
      },
      header,
    );
    const instead = changed.map(({ answer, line }) => CHANGES.instead(answer, line.feeds[0]!));
    return [
      {
        operator: "restriction",
        parameters: { rule },
        rows,
        changed: CHANGES.rule(rule, instead),
      },
    ];
  });
};

/** What is put on before fists touch a head, lightly as they may. Common practice, no source. */
const FOR_FISTS = ["gloves", "mouthguard"] as const;

/** Force is a step of its own; never beyond light with a minor, and full contact is no step of a ladder. */
export const contact: Operator = (checked) => {
  const at = CONTACTS.indexOf(checked.header.contact);
  const next = CONTACTS[at + 1];
  const minor = checked.header.actors.some((a) => checked.header.people[a].minor);
  // Where nobody hits anybody there is nothing to make harder.
  const hits = checked.exchanges.some((e) => e.blow && e.blow.path !== "shoot");
  // Blades, blunt ones too, stay off the body.
  const blade = checked.exchanges.some((e) => e.blow?.tool === "blade");
  // A stick that is meant to land wants a head that is covered.
  const armed = checked.exchanges.some((e) => e.blow?.weapon);
  const bare = checked.header.actors.some((a) => !checked.header.people[a].wears.includes("caged headgear"));
  if (!hits || blade || !next || next === "full" || (minor && next !== "light") || (armed && bare && next !== "light"))
    return [];
  const fists = checked.exchanges.some((e) => e.blow?.zone === "head" && e.blow.tool === "fist" && !e.blow.weapon);
  const gear = putOn(checked, { contact: next }, next === "light" && fists ? FOR_FISTS : []);
  return [
    {
      operator: "contact",
      parameters: { contact: next },
      rows: same(checked, {
        ...titled(checked, `${next} contact`),
        contact: next,
        ...slower(checked),
        ...gear.header,
      }),
      changed: CHANGES.contact(next, gear.pieces),
    },
  ];
};

/** To hit and get away, where the drill stays; who gets away is not taught to stay. */
export const context: Operator = (checked) => [
  {
    operator: "context",
    parameters: { context: "self-protection" },
    rows: same(checked, { ...titled(checked, "to get away"), context: "self-protection" }),
    changed: CHANGES.leaves(),
  },
];

/** One exchange in a triangle: each attacks the next in turn. */
export const thirdPerson: Operator = (checked) => {
  if (checked.header.actors.length > 2 || checked.header.kind !== "feeder") return [];
  return simpleLines(checked).flatMap((line) => {
    if (line.feeder !== "A") return [];
    const own = (actor: "A" | "B") => personRow(checked, actor, (words) => [...words])[actor] ?? "";
    const rows = headerRows(checked.score, {
      ...titled(checked, "triangle"),
      formation: "triangle 2 m",
      C: own("B") || "lead left",
    });
    const turns = (["A B", "B C", "C A"] as const).map((pair) => {
      const [one, two] = pair.split(" ");
      return `${one!} ${line.feeds[0]!} at ${two!} -> ${two!} ${line.answers.join(", ")}`;
    });
    return [
      {
        operator: "third-person" as const,
        parameters: { row: lineNumber(line.item.row.index) },
        rows: written(rows, [...turns]),
        changed: CHANGES.third(line.feeds[0]!),
      },
    ];
  });
};

/** Pads are held in it. */
const holdsPads = ({ exchanges }: Checked): boolean =>
  exchanges.some(({ feed }) => feed !== null && cueOf(feed) === "pad");

/** How both move, by what is trained: in touch, with pads, to land, or short of it. */
function movingWords(checked: Checked): string {
  if (checked.header.kind === "sensitivity") return CHANGES.movingFelt();
  if (holdsPads(checked)) return CHANGES.movingOnPads();
  return checked.header.contact === "none" ? CHANGES.movingShort() : CHANGES.moving();
}

/** Returns the drill with contact and gear. */
export const semiLive: Operator = (checked) => {
  if (headerValue(checked.score, "cadence") === "free") return [];
  return [
    {
      operator: "semi-live",
      parameters: {},
      rows: same(checked, { ...titled(checked, "both move"), cadence: "free", ...slower(checked) }),
      changed: movingWords(checked),
    },
  ];
};

/** Somebody is pushed or pulled: who only holds is fought for the hold. */
const pushes = ({ exchanges }: Checked): boolean => exchanges.some(({ feed }) => feed?.move.energy !== undefined);
/** The body is pushed, not an arm: that takes the base to stand. */
const pushesBody = ({ exchanges }: Checked): boolean =>
  exchanges.some(({ feed }) => feed?.move.energy !== undefined && !isArmPart(takenPart(feed)));

/** Who yields has a smaller base to do it on. */
export const narrow: Operator = (checked) => {
  const usual = checked.header.people.B.given.includes("stance");
  if (usual || !pushesBody(checked)) return [];
  return [
    {
      operator: "narrow",
      parameters: {},
      rows: same(checked, {
        ...titled(checked, TRADE.narrowStance),
        ...personRow(checked, "B", (words) => [...words, `stance ${TRADE.narrowStance}`]),
      }),
      changed: CHANGES.together(),
    },
  ];
};
