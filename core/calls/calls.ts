/** Calls without a pattern: everybody gets a fair share of each, and nobody can guess the next. */
import { below, seeded, shuffled, type Random } from "../random/random.ts";
import { completeDigraph, randomCircuit, randomDeBruijn, withoutLoops } from "./circuits.ts";
import { guessers, type Guesses } from "./guess.ts";

/** A line that can be called, with its weight and how long it takes. */
export interface CallLabel {
  readonly name: string;
  /** How often it comes against the others; 0 leaves it out. */
  readonly weight: number;
  /** It turns round the order in which people attack. */
  readonly reverses?: true;
  /** Of three it may go to either of the other two. */
  readonly free?: true;
}
/** How often the same call may follow itself. */
export const REPEATS = ["any", "not three times", "never twice"] as const;
/** The wishes for a round of calls: length, gaps, repeats, rests; times in s. */
export interface CallOptions {
  readonly labels: readonly CallLabel[];
  /** How many calls. */
  readonly count: number;
  readonly seed: number;
  /**
   * Windows that come equally often: pairs, or three in a row (equal weights only). With pairs only,
   * one in `n - 1` of the calls after a change repeats the last one, which a sharp guesser can use.
   */
  readonly windows: 2 | 3;
  readonly repeat: (typeof REPEATS)[number];
  /** Mean time from call to call, s, and the share of it by which a gap may be longer or shorter. */
  readonly gap: number;
  readonly jitter: number;
  /** Share of calls that a feint goes before. */
  readonly feints: number;
  /** A call to switch roles at every so many seconds, or null. */
  readonly switchEvery: number | null;
  /** Three work together: at a switch each takes the place of the next. */
  readonly rotates: boolean;
  /** Who attack in turn; null where it is not called who does. */
  readonly turns: readonly string[] | null;
}
/** The usual wishes for a round of calls. */
export const CALL_DEFAULTS: Omit<CallOptions, "labels"> = {
  count: 40,
  seed: 1,
  windows: 3,
  repeat: "not three times",
  gap: 4,
  jitter: 0.3,
  feints: 0,
  switchEvery: 30,
  rotates: false,
  turns: null,
};

/** One call with its time, s from the start. */
export interface CallItem {
  /** From the start, s. */
  readonly at: number;
  readonly kind: "call" | "feint" | "switch";
  readonly label: string;
  /** Who attacks; null where that is not called. */
  readonly by: string | null;
}
/** A round of calls with what a guesser would have made of it. */
export interface CallRound {
  readonly items: readonly CallItem[];
  /** How often each label is called. */
  readonly shares: readonly { readonly name: string; readonly times: number }[];
  readonly seconds: number;
  readonly guesses: Guesses;
  /** What could not be kept, in words. */
  readonly notes: readonly string[];
}
type CallResult = { readonly ok: true; readonly round: CallRound } | { readonly ok: false; readonly message: string };

/** Nothing is called so shortly before a switch, and nothing until people have changed places, s. */
const QUIET = 2;
const CHANGE = 5;

/** How many calls a stretch of so many seconds holds. */
export function callsWithin(seconds: number, { gap, switchEvery }: Pick<CallOptions, "gap" | "switchEvery">): number {
  if (switchEvery === null) return Math.max(2, Math.floor(seconds / gap));
  // From one change to the next: the first call comes at once, the others a gap apart.
  const between = 1 + Math.floor((switchEvery - QUIET - CHANGE) / gap);
  return Math.max(2, Math.round((seconds / switchEvery) * between));
}

const MOST_LABELS = 24;
const MOST_CALLS = 2000;

/** What keeps the options from giving a round, in words; null when nothing does. */
function callFault(o: CallOptions): string | null {
  const used = o.labels.filter((l) => l.weight > 0);
  if (o.labels.some((l) => !Number.isFinite(l.weight) || l.weight < 0 || l.weight > 20))
    return "A weight is a number from 0 to 20: how often a call comes against the others.";
  if (used.length === 0) return "Nothing can be called: give at least two labels a weight above 0.";
  if (used.length === 1)
    return `Only “${used[0]!.name}” can be called: there is nothing to guess. Give a second label a weight above 0.`;
  if (used.length > MOST_LABELS) return `More than ${MOST_LABELS} labels cannot be kept in the head. Leave some out.`;
  if (new Set(used.map((l) => l.name)).size < used.length) return "Two labels have the same name. Rename one.";
  if (!Number.isInteger(o.count) || o.count < 1 || o.count > MOST_CALLS) return `Give 1 to ${MOST_CALLS} calls.`;
  if (!(o.gap >= 0.5 && o.gap <= 120)) return "The gap from call to call is 0.5 to 120 seconds.";
  if (!(o.jitter >= 0 && o.jitter <= 0.9)) return "Gaps may differ by 0 to 90%.";
  if (!(o.feints >= 0 && o.feints <= 1)) return "Feints are 0 to 100% of the calls.";
  const least = QUIET + CHANGE + o.gap;
  if (o.switchEvery !== null && !(o.switchEvery >= least))
    return `A switch comes every ${Math.ceil(least)} seconds or more: people need ${CHANGE} to change places.`;
  return null;
}

/** Makes a round of calls; the same seed gives the same round. */
export function callRound(options: CallOptions): CallResult {
  const message = callFault(options);
  if (message !== null) return { ok: false, message };
  const random = seeded(options.seed);
  const notes: string[] = [];
  const labels = options.labels.filter((l) => l.weight > 0);
  const order = callOrder(options, labels, random, notes);
  const items = onTheClock(order, labels, options, random);
  const names = labels.map((l) => l.name);
  const trained = Array.from({ length: 20 }, (_, i) =>
    callOrder(options, labels, seeded(options.seed + 7919 * (i + 1)), []),
  );
  return {
    ok: true,
    round: {
      items,
      shares: names.map((name, i) => ({ name, times: order.filter((x) => x === i).length })),
      seconds: items[items.length - 1]!.at,
      guesses: guessers(order, trained, labels.length),
      notes,
    },
  };
}

/** Small whole numbers in the ratio of the weights. */
function wholeWeights(labels: readonly CallLabel[]): number[] {
  const least = Math.min(...labels.map((l) => l.weight));
  // Weights in between are met to a third of the smallest one.
  for (const scale of [1, 2, 3]) {
    const scaled = labels.map((l) => (l.weight / least) * scale);
    if (scale === 3 || scaled.every((w) => Math.abs(w - Math.round(w)) < 1e-9)) return scaled.map((w) => Math.round(w));
  }
  return labels.map(() => 1);
}

/** How often a circuit is drawn again where it breaks a rule. */
const TRIES = 200;
const CUT_TRIES = 8;

/** The order of the calls as places in `labels`; adds to `notes` what could not be kept. */
export function callOrder(o: CallOptions, labels: readonly CallLabel[], random: Random, notes: string[]): number[] {
  const weights = wholeWeights(labels);
  const equal = weights.every((w) => w === weights[0]);
  const names = shuffled([...labels.keys()], random);
  const start = names[0]!;
  if (o.windows === 3 && !equal) notes.push("Threes equally often need equal weights: pairs are kept equally often.");
  if (o.windows === 3 && o.repeat === "never twice")
    notes.push("Threes equally often contain the same call twice: pairs are kept equally often.");
  const period = labels.length ** 3;
  if (o.windows === 3 && equal && o.repeat !== "never twice" && o.count < period)
    notes.push(`Threes come equally often only over ${period} calls or more: pairs are kept equally often.`);
  const threes = o.windows === 3 && equal && o.repeat !== "never twice" && o.count >= period;
  const circuit = (): number[] => {
    if (threes) {
      const cycle = randomDeBruijn(labels.length, 3, random);
      // Three in a row of one label are windows too: they are taken down to two where the rule says so.
      const kept =
        o.repeat === "any" ? cycle : cycle.filter((x, i) => !(x === at(cycle, i - 1) && x === at(cycle, i - 2)));
      return kept;
    }
    const all = completeDigraph(labels.length);
    const graph = (o.repeat === "never twice" ? withoutLoops(all) : all).map((out, v) =>
      out.flatMap((w) => Array<number>(equal ? 1 : weights[v]! * weights[w]!).fill(w)),
    );
    return randomCircuit(graph, start, random)!;
  };
  const calls: number[] = [];
  let broken = false;
  const drawn = (): number[] => {
    let next = circuit();
    for (let i = 0; i < TRIES && breaks([...calls.slice(-2), ...next], o.repeat); i++) next = circuit();
    return next;
  };
  while (calls.length < o.count) {
    let next = drawn();
    // The last one is cut off: of several the one that is fairest as far as it is called.
    const left = o.count - calls.length;
    if (left < next.length)
      for (let i = 0; i < CUT_TRIES; i++) {
        const other = drawn();
        if (unfair(other.slice(0, left), weights) < unfair(next.slice(0, left), weights)) next = other;
      }
    broken ||= breaks([...calls.slice(-2), ...next], o.repeat);
    calls.push(...next);
  }
  if (broken) notes.push(`“${o.repeat}” could not be kept everywhere: one label weighs too much for it.`);
  if (o.repeat === "never twice" && !equal)
    notes.push("A heavy label comes a little less than its weight, since it may not follow itself.");
  return calls.slice(0, o.count);
}

/** How far the shares of an order are from the weights, squared. */
function unfair(order: readonly number[], weights: readonly number[]): number {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return weights.reduce((sum, weight, label) => {
    const off = order.filter((x) => x === label).length - (order.length * weight) / total;
    return sum + off * off;
  }, 0);
}

const at = (cycle: readonly number[], i: number): number => cycle[(i + cycle.length) % cycle.length]!;

/** True where the order breaks the rule on repeats. */
export const breaks = (order: readonly unknown[], repeat: CallOptions["repeat"]): boolean =>
  order.some(
    (x, i) =>
      (repeat === "never twice" && i > 0 && x === order[i - 1]) ||
      (repeat === "not three times" && i > 1 && x === order[i - 1] && x === order[i - 2]),
  );

function onTheClock(
  order: readonly number[],
  labels: readonly CallLabel[],
  { gap, jitter, feints, switchEvery, rotates, turns }: CallOptions,
  random: Random,
): CallItem[] {
  const items: CallItem[] = [];
  const round = (s: number) => Math.round(s * 100) / 100;
  const next = whoIsNext(turns);
  const target = whomTo(turns, random);
  let time = gap;
  for (const label of order) {
    const { name, reverses, free } = labels[label]!;
    const feinted = feints > 0 && random() < feints;
    const lasts = feinted ? gap * FEINT_BEFORE : 0;
    if (switchEvery !== null) time = afterChange(time, lasts, switchEvery);
    if (feinted) {
      const others = labels.filter((l) => l.name !== name);
      items.push({ at: round(time), kind: "feint", label: others[below(random, others.length)]!.name, by: null });
      time += lasts;
    }
    const by = next(reverses);
    items.push({ at: round(time), kind: "call", label: free ? name + target(by) : name, by });
    time += gap * (1 + jitter * (2 * random() - 1));
  }
  const end = items[items.length - 1]!.at;
  if (switchEvery !== null)
    for (let s = switchEvery; s < end; s += switchEvery)
      items.push({ at: round(s), kind: "switch", label: rotates ? "Rotate" : "Switch roles", by: null });
  return items.sort((a, b) => a.at - b.at);
}

/** A feint comes before its call by this share of the gap. */
const FEINT_BEFORE = 0.4;

/** The time of a call that lasts so long, put off where a switch is near. */
function afterChange(time: number, lasts: number, every: number): number {
  const last = Math.floor(time / every) * every;
  if (last > 0 && time - last < CHANGE) return last + CHANGE;
  return time + lasts > last + every - QUIET ? last + every + CHANGE : time;
}

/** Says at whom a call goes, each of the two as often: by letter where it is called who attacks, else by side. */
function whomTo(turns: readonly string[] | null, random: Random): (by: string | null) => string {
  const left = new Map<string, string[]>();
  return (by) => {
    const bag = left.get(by ?? "") ?? [];
    if (bag.length === 0)
      bag.push(...shuffled(by && turns ? turns.filter((one) => one !== by).map((one) => ` at ${one}`) : SIDES, random));
    left.set(by ?? "", bag);
    return bag.pop()!;
  };
}
const SIDES = [", left", ", right"];

/** Gives who attacks at each call; one that turns the order round has nobody who attacks. */
function whoIsNext(turns: readonly string[] | null): (reverses: true | undefined) => string | null {
  let at = -1;
  let way = 1;
  return (reverses) => {
    if (!turns) return null;
    if (reverses) {
      way = -way;
      return null;
    }
    // Turned round before anybody has begun, the last of the order begins.
    at = at < 0 && way < 0 ? turns.length - 1 : (at + way + turns.length) % turns.length;
    return turns[at]!;
  };
}
