/** The words of findings, by rule and parameters. English now; another language is another catalogue. */
import type { Params, RuleId } from "./finding.ts";

type Say = (p: Params) => string;

const syntax: Record<string, string> = {
  stray: "“{found}” cannot be read here. A row is `A jab -> B slip out`, a header row is `key: value`.",
  junk: "“{found}” means nothing in a score. Take it out.",
  missing: "Something is missing here: a move between two signs, or after the last one.",
  "second-row": "Only one thing stands on a row. Start a new row for “{found}”.",
  "section-name": "A section needs a name: `section Single answers`.",
  "loop-count": "A loop runs 1 to 999 times; “{found}” is read as the nearest of these.",
  "block-head": "“{found}” is no block. Write `loop x4:`, `loop swap x4:`, `choose A:`, `choose call:` or `carry:`.",
  "meet-shape": "Two blows meet one beat against one beat: `A forehand high <> B forehand high`, without `|` or `->`.",
  "alternative-actor": "All alternatives of a turn belong to one person; “{found}” is somebody else.",
  "empty-block": "This {found} holds no line. Write its lines below it, or take it out.",
  "stray-end": "There is no block for this `end` to close.",
  "late-header": "“{found}:” stands below the first row of play. Header rows go to the top.",
  "label-outside": "A label belongs inside a choice. Put `choose A:` above, or take “{found}:” away.",
  "label-twice": "The label “{found}” is there twice in this choice. Give each line its own.",
  "too-long": "The text is too long: only the first {found} characters were read. Split it into several drills.",
  more: "{found} more rows could not be read.",
  modifier:
    "“{word}” says nothing about {move}. Known: lead, rear, left, right, high, mid, low, in, out, `to PART`, `on PART`.",
  actor: "Three people work here: say who does this, A, B or C.",
  "same-actor": "{actor} cannot answer himself. After `->` comes the other person.",
  branches: "More than {most} branches: the rest of this line was not checked. Split it into several lines.",
  "no-play": "There is nothing to check yet. Write a first row, for example `A jab -> B slip out`.",
  unreadable: "This row could not be read.",
};

const header: Record<string, string> = {
  "header-key": "“{key}” is kept as a note; the checker does not use it.",
  "header-value": "“{value}” is not known here. Known: {known}.",
  tempo: "“{value}” is no tempo. Write a percentage of full speed from 5 to 150, such as `50%`.",
  range: "“{value}” is no distance. Write {known}, or metres between the two centres from 0.2 to 6, such as `1.4 m`.",
  "body-bounds":
    "“{known}” cannot be a body. Heights are in cm (90 to 230), reach is the arm span in cm (80 to 240), mass in kg (15 to 220).",
  held: "“{known}” cannot be held. Write `holds stick 71 cm`, `holds two sticks 66 cm`, `holds training knife 28 cm` or `holds nothing`.",
  worn: "“{known}” cannot be worn. Known: mitts, gloves, eye protection, caged headgear, mouthguard, groin guard, shin guards, belly pad, kick shield.",
  "hold-and-wear": "Nobody can hold a weapon and wear {known} at once. Choose one of the two.",
  person: "“{known}” says nothing about a person. Write for example `lead left, height 178, wears gloves`.",
};

const lineOpen: Record<string, string> = {
  displace: "The {feed} still reaches the {zone}: it is {cm} cm in the way.{why}{fix}",
  cover: "The {answer} is not where the {feed} comes in: it misses the line by {cm} cm.{fix}",
  deflect: "{whyText} The {feed} goes on to the {zone}.{fix}",
  deny: "The {answer} does nothing against a takedown entry.{fix}",
  energy: "The {answer} does not take the pressure away.{fix}",
  other: "The {answer} does not stop the {feed}.{fix}",
};

const wrongMaterial: Record<string, string> = {
  shin: "One {limb} takes the shin of a kick: it stops it, but it hurts. Double the cover, or step in or away.",
  edge: "The {limb} would meet the edge. Step in so that it meets the forearm, or step out of reach.{fix}",
  "fast end":
    "The {limb} would meet the fast end of the stick. Step in onto the forearm, block with a stick, or step out.{fix}",
  point: "The hand would stop the point. Turn it aside, or step off.{fix}",
  blade: "A short knife does not block a blade: pass it, or leave its reach.{fix}",
  other: "The {limb} cannot stop this weapon.{fix}",
};

const CATALOGUE: Record<RuleId, Say> = {
  syntax: (p) => fill(syntax[String(p.code)] ?? syntax.unreadable!, p),
  header: (p) => fill(header[String(p.code)] ?? header["header-key"]!, p),
  "unknown-move": (p) =>
    p.nearest
      ? fill("“{typed}” is no move that the school knows. Nearest: {nearest}.", p)
      : fill("“{typed}” is no move that the school knows.", p),
  "bad-move": (p) => {
    if (p.code === "needs")
      return fill(
        "{move} needs {needs} in the hand; write what is held in the header, such as `A: holds stick 71 cm`.",
        p,
      );
    if (p.code === "side")
      return fill("A {side} {move} contradicts itself: this move belongs to the other side. Take “{side}” out.", p);
    if (p.code === "height") return fill("{move} does not go {height}. It goes {heights}.", p);
    if (p.code === "number") return fill("The set “{set}” has no number {number}; it has 1 to {most}.", p);
    return fill("{move} contradicts itself here.", p);
  },
  "out-of-reach": (p) =>
    p.code === "return"
      ? fill(
          "The {move} falls {cm} cm short: nothing brings it nearer. Write `step in + {move}`, or choose a longer blow.",
          p,
        )
      : fill(
          "The {move} cannot land from here: {cm} cm are missing even with a step. Start nearer, or a feed that cannot land trains nothing.",
          p,
        ),
  "too-close": (p) =>
    fill(
      "There is no room for the {move} at {gap} m; it needs {need} m. Start further out, or use a shorter version.",
      p,
    ),
  "line-open": (p) => fill(lineOpen[String(p.code)] ?? lineOpen.other!, p),
  "wrong-material": (p) => fill(wrongMaterial[String(p.what)] ?? wrongMaterial.other!, p),
  "limb-busy": (p) =>
    p.code === "weapon"
      ? fill(
          "One weapon cannot do both in one beat: {first} and {second}. Put a comma between them, or use the free hand.",
          p,
        )
      : fill(
          "The {limb} cannot do both in one beat: {first} and {second}. Put a comma between them, or use the other hand.",
          p,
        ),
  "limb-pinned": (p) =>
    fill("{actor}’s {limb} is held by {by} and cannot {move}. Let it be cleared first, or use the other one.", p),
  "not-recovered": (p) =>
    p.state === "down"
      ? fill("After going down {actor} must recover before the {move}: write `recover` in front of it.", p)
      : fill("The blow before turned {actor} too far: write `recover` before the {move}.", p),
  "no-answer": (p) =>
    p.code === "attack"
      ? fill(
          "The {feed} is answered only by an attack. That is no answer unless it lands first and takes the line: write `intercept` with it, or defend first.{fix}",
          p,
        )
      : fill("Nobody answers the {feed}.{fix}", p),
  "no-meet": (p) => fill("The two blows do not meet: {why}.", p),
  "rule-broken": (p) =>
    p.code === "resisting"
      ? fill(
          "The {move} goes against the {feed}: that resists, and this drill says no resisting. Go with it, or turn it aside.",
          p,
        )
      : fill("{move} breaks “{rule}”.", p),
  resisting: (p) =>
    fill("The {move} goes against the {feed} ({angle}°). Yield with it (below 60°) or turn it aside.{fix}", p),
  "inside-line": (p) =>
    fill(
      "This ends inside, on the side of the other hand: the {next} is open. Go outside, or throw something with it.",
      p,
    ),
  "off-balance": (p) =>
    fill("The head ends {cm} cm from over the feet: no balance for what comes next. Move less, or take a step.", p),
  tight: (p) =>
    fill("It works by {cm} cm only, and in {percent} % of small changes of size and movement. Move a little more.", p),
  late: (p) => fill("At {tempo} % this comes too late: {limits}. In time up to {ceiling} %.", p),
  "ambiguous-cue": (p) => fill("“{one}” and “{two}” look alike until it is too late but need different answers.", p),
  reload: (p) =>
    fill(
      "The {move} has no weight behind it: the blow before left it on the other leg. A step or another blow between loads it.",
      p,
    ),
  "follow-up": (p) => fill("The {next} stays open for {actor}.", p),
  "no-step": (p) => fill("The {move} lands without a step: start further out, so that it has to come in.", p),
  ruling: (p) => fill("The school rules this {verdict}: {reason}", p),
  "loop-open": (p) => fill("The cycle does not close: {what}.", p),
  "training-tool": (p) =>
    fill("{actor} holds a live blade. Only blunt training blades belong in a drill: write `training knife`.", p),
  "gear-missing": (p) => fill("{actor} needs {gear} for {why}.", p),
  "unsafe-target": (p) => fill("The {part} is no target in a class. Train it on the {instead}.", p),
  "weight-gap": (p) =>
    fill("{heavy} kg against {light} kg is a large gap for contact. Pair them for this only without contact.", p),
  "blade-arm": (p) =>
    fill(
      "A bare hand works near an edge ({move}). Even with a blunt blade say so each time: against a real one the hand is cut.",
      p,
    ),
  minor: (p) => fill("{actor} is a minor: {contact} contact is not for minors; keep it light.", p),
};

/** The message of a finding. */
export function message(rule: RuleId, params: Params): string {
  return CATALOGUE[rule](params);
}

function fill(text: string, params: Params): string {
  const filled = text.replace(/\{(\w+)\}/g, (_, key: string) => String(params[key] ?? "")).trim();
  return filled.charAt(0).toUpperCase() + filled.slice(1);
}
