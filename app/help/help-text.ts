/** What the help says: the notation in twelve steps, each with a drill that can be opened, and the keys. */

interface Step {
  readonly title: string;
  readonly says: string;
  /** A whole drill, as it is typed. */
  readonly sample: string;
}

const STICKS = "A: holds stick 71 cm\nB: holds stick 71 cm\n\n";

export const STEPS: readonly Step[] = [
  {
    title: "One row: who does what",
    says: "A throws, the arrow gives the turn to B. B answers, and hits back behind the comma. Your own words do as well: type “jab, slip outside and cross”, and press “Read as …”.",
    sample: "A jab -> B slip out, cross",
  },
  {
    title: "Several at once, one after the other",
    says: "A comma is one thing after another, a plus is both in the same beat. Two blows want two answers.",
    sample: "A jab, cross -> B catch, slip out + lead hook to body",
  },
  {
    title: "Where it goes",
    says: "Say the height (high, mid, low), the part (to body, to leg), and which hand or leg: lead, rear, left, right.",
    sample: "A lead hook to body, lead hook -> B elbow drop, cover",
  },
  {
    title: "In and out, forward and back",
    says: "Out is the outside of the arm that comes. Steps and slips say where they go.",
    sample: "A cross -> B step off, lead hook\nA jab -> B step back, step in + cross",
  },
  {
    title: "What holds for the whole drill",
    says: "Rows with a colon at the top: title, tempo, contact, mats, and for each person the lead, what they hold and wear, how they stand. A guard covers one thing and opens another.",
    sample:
      "title: My first drill\ntempo: 40%\ncontact: light\nA: lead left, wears mitts, guard high\nB: lead right, wears gloves\n\nA jab -> B parry, cross to body",
  },
  {
    title: "Either this or that",
    says: "An upright stroke is the choice of who answers. A block `choose A:` is the feeder’s choice, `choose call:` yours.",
    sample: "A jab -> B catch | slip out\n\nchoose A:\n  one: A jab -> B parry\n  two: A cross -> B slip out\nend",
  },
  {
    title: "Round and round",
    says: "`loop x8:` repeats its rows; with `swap` the roles change each time. `<>` is two strokes that meet.",
    sample: `kind: flow\ntempo: 50%\n${STICKS}loop x8:\n  A forehand high <> B forehand high\n  A backhand low <> B backhand low\nend`,
  },
  {
    title: "Pads, holds and pushes",
    says: "Pads are held up to be hit, a hold is answered by what frees it, a push by what gives way.",
    sample:
      "A: wears mitts\nB: wears gloves\n\nA hold pads -> B jab, cross, lead hook\nA grab on lead wrist -> B thumb release, palm strike\nA push to chest -> B step off",
  },
  {
    title: "Feints, force, length",
    says: "A wave before a blow shows it only, ! commits to it, ? only probes. `@1/2` takes half a beat.",
    sample: "A ~jab, cross -> B slip out, cross",
  },
  {
    title: "Parts, notes and what goes wrong",
    says: "`section` names what follows, words in quotes are said with a move, `wrong:` shows a mistake and is not counted.",
    sample:
      'section One feed, one answer\nA jab -> B catch "palm in front of the chin"\nwrong: A lead hook -> B lean back "it comes round"',
  },
  {
    title: "Stay, any order, any time, and what lands",
    says: "`stay` answers what does not get there. `in any order` lets the feeder mix the numbers. `any time:` is agreed for the whole section. `lands:` goes on from a hit.",
    sample: `${STICKS}A ~forehand high -> B stay\nA strike {1..5} in any order -> B block {#}, counter {#}\nany time: A thrust mid -> B parry\nlands: A forehand low -> B step back`,
  },
  {
    title: "A game for two",
    says: "What each may do, what scores, how it touches, when it ends. We tell you whether everything has an answer, and whether it is fair for these two.",
    sample:
      "game Three clean:\n  start: A guard; B guard\n  A may: jab | jab, jab | cross\n  B may: catch, jab | catch, catch, jab | slip out, cross\n  A scores: line 1\n  B scores: clean with return 1\n  touch: to the glove\n  ends: 3 points or 90 s\n  swap: at the end\nend",
  },
];

export const SIGNS = [
  { verdict: "valid", says: "The answer works for these two bodies, with room to spare." },
  {
    verdict: "asDrill",
    says: "Bare hands against a blade: trained as a drill, never trusted. With a live blade: leave.",
  },
  { verdict: "risky", says: "It works, and something is tight or open: the words beside it say what." },
  { verdict: "invalid", says: "It does not work. One press mends it with an answer that does." },
] as const;

export const NUMBERS = [
  ["5.5 cm", "How far the attack misses, or how far the cover reaches over its line."],
  ["Holds up to 80%", "The tempo, of full speed, up to which the answer can be there in time."],
  ["Load 7.8", "How hard the drill is to do: length, choice, tempo, contact and more, added up. A ladder rises by it."],
] as const;

export const KEYS = [
  ["?", "this page"],
  ["Ctrl + K or /", "search everything: drills, moves, people, classes"],
  ["Ctrl + S", "save the drill as a revision"],
  ["Ctrl + Z", "undo, in the text and in the drawing"],
  ["Ctrl + Space", "what can be written here"],
  ["Alt + ↑ or ↓", "move the row up or down"],
  ["1 to 9", "put in that answer, in a list of answers"],
  ["Tab", "leave the text; Ctrl ] and Ctrl [ indent"],
] as const;
