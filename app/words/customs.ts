/** The questions on which schools differ, with what follows from each answer. */
import type { SchoolCustoms } from "#core/policy/settings.ts";
import type { NumberingSet } from "#core/words/numbering.ts";
import { TRADITIONS } from "#core/words/types.ts";

/** Questions that are answered by one of a few words; the order of stages has a list of its own. */
type Asked = Exclude<keyof SchoolCustoms, "stages">;

interface CustomOption<K extends keyof SchoolCustoms> {
  readonly value: SchoolCustoms[K];
  readonly label: string;
  /** What follows from it. */
  readonly follows: string;
}
export interface Question<K extends keyof SchoolCustoms> {
  readonly key: K;
  readonly question: string;
  readonly options: readonly CustomOption<K>[];
}

const TERMS: Readonly<Record<SchoolCustoms["names"], string>> = {
  english: "English",
  filipino: "Filipino",
  cantonese: "Cantonese",
  japanese: "Japanese",
  thai: "Thai",
  boxing: "Boxing numbers",
};

/** Those that the check reads and grades by. */
const JUDGED = [
  {
    key: "rooting",
    question: "Rooting or warding off where a drill gives way?",
    options: [
      {
        value: "risky",
        label: "It holds, and does not give",
        follows: "Under “no resisting” it is said: give instead.",
      },
      {
        value: "valid",
        label: "It is giving too",
        follows: "Under “no resisting” it counts as an answer like any other.",
      },
    ],
  },
  {
    key: "minors",
    question: "What do minors do?",
    options: [
      {
        value: "strict",
        label: "Nothing that lands on the head",
        follows:
          "With any contact: no blow lands on the head, body blows go onto pads, no hair, throat or neck, mats for the floor.",
      },
      {
        value: "own",
        label: "What we decide case by case",
        follows: "Only contact beyond light is said. Local rules and your licence still come first.",
      },
    ],
  },
  {
    key: "beginnersFeeds",
    question: "How many feeds in one row for beginners?",
    options: ([2, 3, 4, 6] as const).map((value) => ({
      value,
      label: String(value),
      follows: `A row with more than ${value} feeds is noted where the level of a drill says beginners.`,
    })),
  },
  {
    key: "leaving",
    question: "Must whoever struck leave?",
    options: [
      {
        value: "self-protection",
        label: "In self-protection",
        follows: "Drills of that context note a row whose last blow is not followed by a way out.",
      },
      { value: "always", label: "Always", follows: "Every row that ends with a blow is noted." },
      { value: "never", label: "Never said", follows: "How a row ends is left to you." },
    ],
  },
] as const satisfies readonly { [K in Asked]: Question<K> }[Asked][];

/** What no list of the school is needed for, in the order in which it is asked. */
const PLAIN = [
  {
    key: "pads",
    question: "Which pad takes a left blow?",
    options: [
      {
        value: "opposite",
        label: "The one straight across",
        follows: "Cards name the holder’s right pad for a left blow.",
      },
      {
        value: "same",
        label: "The one of the same name",
        follows: "Cards name the holder’s left pad for a left blow: blows cross the centre.",
      },
    ],
  },
  ...JUDGED,
  {
    key: "hookFist",
    question: "How is the fist of a hook?",
    options: [
      {
        value: "upright",
        label: "Upright",
        follows: "The coaching of hooks says: thumb on top. Nothing else changes.",
      },
      {
        value: "flat",
        label: "Flat",
        follows: "The coaching of hooks says: thumb towards you. Nothing else changes.",
      },
    ],
  },
  {
    key: "context",
    question: "What is a drill for, when it does not say?",
    options: [
      { value: null, label: "Nothing in particular", follows: "Endings are judged the same whatever they are for." },
      { value: "duel", label: "A duel", follows: "Endings stay and finish." },
      { value: "self-protection", label: "Self-protection", follows: "Endings strike, disengage and leave." },
    ],
  },
  {
    key: "power",
    question: "How hard, how soon?",
    options: [
      {
        value: "slow first",
        label: "Slowly first",
        follows: "Ladders start slow; power is a step of its own, last.",
      },
      {
        value: "full",
        label: "Full from the start",
        follows: "Ladders keep the drill’s own tempo from the first rung.",
      },
    ],
  },
  {
    key: "minorsPage",
    question: "What may a page about a minor say, when you hand it over?",
    options: [
      {
        value: "trained",
        label: "What they trained",
        follows: "Days, drills and sides; not how it went, nor with whom.",
      },
      {
        value: "marks",
        label: "And how it went",
        follows: "Also what was seen clean and what was not; not with whom.",
      },
      { value: "nothing", label: "Nothing", follows: "There is no such page for minors. Local rules come first." },
    ],
  },
] as const satisfies readonly { [K in Asked]: Question<K> }[Asked][];

/** All questions but the graded rules; `sets` are the numbering sets that can be chosen. */
export const questions = (sets: readonly Pick<NumberingSet, "id" | "name">[]) =>
  [
    {
      key: "names",
      question: "Whose names are shown?",
      options: TRADITIONS.map((value) => ({
        value,
        label: TERMS[value],
        follows:
          value === "english"
            ? "Lists and answers show English names; every tradition’s are understood when typed."
            : `Lists and answers show ${TERMS[value]} terms where there is one, English otherwise; all are understood when typed.`,
      })),
    },
    {
      key: "numbering",
      question: "What does a number mean?",
      options: sets.map((s) => ({
        value: s.id,
        label: s.name,
        follows: `Numbers of drills that name no set are read as ${s.name.toLowerCase()}.`,
      })),
    },
    ...PLAIN,
  ] as const satisfies readonly { [K in Asked]: Question<K> }[Asked][];
