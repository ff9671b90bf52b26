/** What each person gets out of an evening: repetitions by feed and answer, roles, sides, partners. */
import type { Checked } from "../drill/types.ts";
import { stretches, type Clock } from "./timetable.ts";

/** One pair in one round, with what it works on. */
export interface Worked {
  readonly a: string;
  readonly b: string;
  readonly c: string | null;
  readonly checked: Checked;
  /** What is done while the second feeds, where that is something else. */
  readonly back?: Checked;
  /** Side that leads in this round; it changes from round to round. */
  readonly side: "left" | "right";
  /** Roles change after so many seconds. */
  readonly change: number;
  /** Length of the round, s. */
  readonly round: number;
}

/** How much of an evening somebody spends feeding, answering and alone. */
export interface Share {
  readonly person: string;
  /** Seconds at work with a partner, and seconds of all rounds of the evening. */
  readonly working: number;
  readonly all: number;
  readonly feeding: number;
  readonly answering: number;
  readonly left: number;
  readonly right: number;
  readonly partners: number;
  /** Repetitions by feed and by answer, as they are written. */
  readonly feeds: ReadonlyMap<string, number>;
  readonly answers: ReadonlyMap<string, number>;
  readonly repetitions: number;
}

/**
 * Seconds of one exchange in pairs, and of each blow that goes back: about 40 single repetitions a
 * minute. Who queues for one target kicks twice in 12 s. Common practice, no source.
 */
const EXCHANGE = 1.5;
const RETURN = 0.5;
/** Turns a minute of a pair. */
export const IN_PAIRS = 60 / EXCHANGE;
/** Turns a minute of a person in a queue. */
export const IN_QUEUE = 10;

/** Seconds of one pass through all exchanges of a drill. */
export const passSeconds = ({ exchanges }: Checked): number =>
  Math.max(
    EXCHANGE,
    exchanges.reduce((sum, e) => sum + EXCHANGE + RETURN * e.returns.length, 0),
  );

/** Adds up a whole evening; `rounds` as they were planned, each a list of pairs at work. */
export function shares(rounds: readonly (readonly Worked[])[], people: readonly string[], clock: Clock): Share[] {
  const all = rounds.reduce((sum, [first]) => sum + (first?.round ?? clock.round), 0);
  const drafts = new Map(people.map((id) => [id, draft(id, all)]));
  for (const round of rounds)
    for (const pair of round) {
      const members = [pair.a, pair.b, ...(pair.c ? [pair.c] : [])];
      for (const { feeder, seconds } of stretches({ ...clock, round: pair.round, change: pair.change })) {
        const checked = feeder === "B" && pair.back ? pair.back : pair.checked;
        const pass = passSeconds(checked);
        const times = seconds / pass / (pair.c ? 1.5 : 1);
        members.forEach((id, i) => {
          const d = drafts.get(id);
          if (!d) return;
          for (const other of members) if (other !== id) d.met.add(other);
          d.working += seconds * (pair.c ? 2 / 3 : 1);
          // In a trio the roles go round, pads from one third of the round to the next.
          const ofThree = pair.change >= pair.round ? 1 / 3 : 0.5;
          const feeds = pair.c ? ofThree : (i === 0) === (feeder === "A") ? 1 : 0;
          d.feeding += seconds * feeds;
          d.answering += seconds * (1 - feeds);
          d[pair.side] += seconds;
          for (const e of checked.exchanges) {
            if (feeds > 0) count(d.feeds, e.feedText, times * feeds);
            const said = e.answerText;
            if (feeds < 1 && said) count(d.answers, said, times * (1 - feeds));
          }
        });
      }
    }
  return [...drafts.values()].map(({ met, ...d }) => {
    const rounded = (counts: ReadonlyMap<string, number>) =>
      new Map([...counts].map(([key, value]) => [key, Math.round(value)]));
    const answers = rounded(d.answers);
    const feeds = rounded(d.feeds);
    return {
      ...d,
      partners: met.size,
      feeds,
      answers,
      repetitions: [...answers.values(), ...feeds.values()].reduce((a, b) => a + b, 0),
    };
  });
}

interface Draft {
  person: string;
  working: number;
  all: number;
  feeding: number;
  answering: number;
  left: number;
  right: number;
  met: Set<string>;
  feeds: Map<string, number>;
  answers: Map<string, number>;
}
const draft = (person: string, all: number): Draft => ({
  person,
  working: 0,
  all,
  feeding: 0,
  answering: 0,
  left: 0,
  right: 0,
  met: new Set(),
  feeds: new Map(),
  answers: new Map(),
});

const count = (counts: Map<string, number>, key: string, by: number): void =>
  void counts.set(key, (counts.get(key) ?? 0) + by);

/** Repetitions of each in the same minutes, were they to queue for one target. */
export const inQueues = (minutes: number): number => Math.round(minutes * IN_QUEUE);

/** Who never feeds, never answers, works one side only or waits, in words. */
export function unfair(all: readonly Share[], nameOf: (id: string) => string): string[] {
  return all.flatMap((s) => {
    const name = nameOf(s.person);
    if (s.working === 0) return [`${name} does not work at all.`];
    const found: string[] = [];
    if (s.feeding === 0) found.push(`${name} never feeds.`);
    if (s.answering === 0) found.push(`${name} never answers.`);
    if (s.left === 0 || s.right === 0) found.push(`${name} works one side only.`);
    return found;
  });
}

/** From so many rounds on the same partner in all of them is worth a word. */
const LONG = 4;

/** Two who have nobody but each other the whole evening, with the ways out; a class of two has no other. */
export function onePartner(
  rounds: readonly {
    readonly pairs: readonly { readonly a: string; readonly b: string; readonly c: string | null }[];
  }[],
  people: readonly { readonly id: string; readonly name: string }[],
): string[] {
  if (rounds.length < LONG || people.length < 3) return [];
  const met = new Map<string, Set<string>>();
  for (const { pairs } of rounds)
    for (const { a, b, c } of pairs) {
      const all = c ? [a, b, c] : [a, b];
      for (const one of all) met.set(one, new Set([...(met.get(one) ?? []), ...all.filter((id) => id !== one)]));
    }
  const nameOf = new Map(people.map(({ id, name }) => [id, name]));
  return people.flatMap(({ id, name }) => {
    const [other, ...more] = met.get(id) ?? [];
    if (!other || more.length > 0 || other < id || met.get(other)!.size > 1) return [];
    return [
      `${name} and ${nameOf.get(other) ?? "their partner"} work together all evening. Put them with another pair as three, step in for a round, or ask for an agreement.`,
    ];
  });
}
