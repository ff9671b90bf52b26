/** Operators on the frame: tempo, stance, roles, rules, contact, what it is for, a third person. */
import type { Checked } from "../../check/types.ts";
import { CONTACTS } from "../../score/header.ts";
import { lineText } from "../../score/format.ts";
import { headerValue } from "../../score/structure.ts";
import { headerRows, withLines } from "../edit.ts";
import { plainLines, slower, titled, type Candidate, type Operator } from "./shared.ts";

const same = (checked: Checked, header: Readonly<Record<string, string | null>>): string =>
  withLines(checked.score, (item) => item.line, header);

/** Steps of tempo, shares of full speed. */
const STEP = 0.1;
const SLOWEST = 0.2;
const FASTEST = 1;

function tempo(checked: Checked, by: number): Candidate[] {
  const now = checked.header.tempo;
  const ceilings = checked.exchanges.flatMap((e) => (e.ceiling !== null && e.ceiling > 0 ? [e.ceiling] : []));
  const most = Math.min(FASTEST, ...ceilings);
  const next = Math.round((now + by) * 20) / 20;
  if (next < SLOWEST - 1e-9 || next > most + 1e-9 || checked.header.kind === "solo") return [];
  const percent = `${Math.round(next * 100)}%`;
  return [
    {
      operator: by > 0 ? "tempo-up" : "tempo-down",
      parameters: { tempo: percent },
      text: same(checked, { ...titled(checked, percent), tempo: percent }),
      changed: by > 0 ? `Faster: ${percent} of full speed` : `Slower: ${percent} of full speed`,
    },
  ];
}
export const tempoUp: Operator = (checked) => tempo(checked, STEP);
export const tempoDown: Operator = (checked) => tempo(checked, -STEP);

/** A header row of a person with something put in place of what stands there. */
function personRow(
  checked: Checked,
  actor: "A" | "B",
  change: (words: readonly string[]) => string[],
): Record<string, string> {
  const row = checked.score.rows.find(
    ({ content }) => content.body.kind === "header" && content.body.key.text.toUpperCase() === actor,
  );
  const value = row?.content.body.kind === "header" ? (row.content.body.value?.text ?? "") : "";
  const words = value
    .split(",")
    .map((w) => w.trim())
    .filter(Boolean);
  return { [actor]: change(words).join(", ") };
}

export const oppositeStance: Operator = (checked) => {
  const lead = checked.header.people.B.lead === "left" ? "right" : "left";
  const change = personRow(checked, "B", (words) => [`lead ${lead}`, ...words.filter((w) => !/^lead /i.test(w))]);
  const match = lead === checked.header.people.A.lead ? "the same foot" : "the other foot";
  return [
    {
      operator: "opposite-stance",
      parameters: { lead },
      text: same(checked, { ...titled(checked, `B leads ${lead}`), ...change }),
      changed: `B has ${match} in front: ${lead} lead`,
    },
  ];
};

const LOOPS = 4;
export const swapRoles: Operator = (checked) => {
  const lines = plainLines(checked);
  if (lines.length === 0 || checked.score.items.some((i) => i.kind !== "line")) return [];
  return [
    {
      operator: "swap-roles",
      parameters: { passes: LOOPS },
      text: `${[
        ...headerRows(checked.score, titled(checked, "roles change")),
        "",
        `loop swap x${LOOPS}:`,
        ...lines.map((l) => `  ${lineText(l.item.line)}`),
        "end",
      ].join("\n")}\n`,
      changed: "Roles change after each pass: who fed, answers",
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

export const restriction: Operator = (checked) =>
  RESTRICTIONS[checked.header.kind].flatMap((rule) => {
    const now = checked.header.rules.B;
    if (now.has(rule)) return [];
    const blind = rule === "eyes closed" ? slower(checked) : {};
    return [
      {
        operator: "restriction" as const,
        parameters: { rule },
        text: same(checked, { ...titled(checked, rule), "rules B": [...now, rule].join(", "), ...blind }),
        changed: `The answerer does with less: ${rule}`,
      },
    ];
  });

/** Force is a step of its own; never beyond light with a minor, and full contact is no step of a ladder. */
export const contact: Operator = (checked) => {
  const at = CONTACTS.indexOf(checked.header.contact);
  const next = CONTACTS[at + 1];
  const minor = checked.header.actors.some((a) => checked.header.people[a].minor);
  if (!next || next === "full" || (minor && next !== "light")) return [];
  return [
    {
      operator: "contact",
      parameters: { contact: next },
      text: same(checked, { ...titled(checked, `${next} contact`), contact: next, ...slower(checked) }),
      changed: `Harder: ${next} contact, with the gear for it`,
    },
  ];
};

export const context: Operator = (checked) => {
  if (checked.header.kind !== "feeder") return [];
  const next = checked.header.context === "self-protection" ? "duel" : "self-protection";
  return [
    {
      operator: "context",
      parameters: { context: next },
      text: withLines(checked.score, ({ line }) => line, {
        ...titled(checked, next === "duel" ? "to stay" : "to get away"),
        context: next,
      }),
      changed: next === "duel" ? "Another end: stay and finish" : "Another end: strike, let go, and leave",
    },
  ];
};

/** One exchange in a triangle: each attacks the next in turn. */
export const thirdPerson: Operator = (checked) => {
  if (checked.header.actors.length > 2 || checked.header.kind !== "feeder") return [];
  return plainLines(checked).flatMap((line) => {
    if (line.feeds.length !== 1 || line.rest.length > 0 || line.feeder !== "A") return [];
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
        parameters: { row: line.item.row.index + 1 },
        text: `${[...rows, "", ...turns].join("\n")}\n`,
        changed: "Three in a triangle: who answered attacks the next",
      },
    ];
  });
};

export const semiLive: Operator = (checked) => {
  if (checked.header.kind !== "feeder" || headerValue(checked.score, "cadence") === "free") return [];
  return [
    {
      operator: "semi-live",
      parameters: {},
      text: same(checked, { ...titled(checked, "both move"), cadence: "free", ...slower(checked) }),
      changed: "Both move freely; the feed is honest and comes when the feeder likes",
    },
  ];
};
