/**
 * What a change of a drill is called, as a coach says it to the ones who do it: verb first, short, the move named.
 * All generated titles of variations and rungs stand here, so that one reader can read them and another language can come.
 */
import { spokenRange } from "../score/ranges.ts";

/** A move as it is said: ranges in words, without the letter of a hand, its length in beats or its force. */
export const spoken = (text: string): string =>
  spokenRange(text)
    .replace(/^[RL] /, "")
    .replace(/ @[\d/.]+|!(?= |$)/g, "")
    .replace(/~(?=\w)/g, "shown ");

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** `jab`, `jab and cross`, `jab, cross and hook`; with another word before the last. */
export const listed = (names: readonly string[], last: "and" | "or" = "and"): string =>
  names.length < 2 ? names.join() : `${names.slice(0, -1).join(", ")} ${last} ${names[names.length - 1]!}`;

const the = (name: string): string =>
  /^(?:strike|block|counter) |^(?:the|your|their) |^“/.test(name) ? name : `the ${name}`;

/** Several blows of one go, as one thing among others. */
function asOne(feed: string): string {
  const blows = spoken(feed).split(", ");
  const same = blows.every((blow) => blow === blows[0]);
  return same && MANY[blows.length] ? `${MANY[blows.length]} ${blows[0]}` : blows.join("-");
}
const MANY: Readonly<Record<number, string>> = { 2: "double", 3: "triple" };

/** A piece of gear, for everybody in the room. */
const severalOf = (piece: string): string => (/(?:guard|pad|shield)$/.test(piece) ? `${piece}s` : piece);

const putOn = (gear: readonly string[]): string =>
  gear.length === 0 ? "" : `. ${capital(listed(gear.map(severalOf)))} on`;

const TIMES: Readonly<Record<number, string>> = { 2: "Twice", 3: "Three times", 4: "Four times", 5: "Five times" };

const TEMPO_WORDS = { up: "A bit faster: ", down: "Slower: ", back: "Back to ", own: "Now at " } as const;

/** The words for each change. */
export const CHANGES = {
  return: (answer: string, back: string) => `${capital(spoken(answer))}, then hit back: ${back}`,
  counter: (feed: string, feeder: string, back: string, answer: string) =>
    `Against ${the(spoken(feed))}: ${feeder} answers the ${back} that comes back, ${answer}`,
  exit: (feed: string, way: string) => `Against ${the(spoken(feed))}, at the end ${way}`,
  secondLine: (answer: string, layer: string) => `${capital(spoken(answer))}, and a second line with it: ${layer}`,
  stepOff: (answer: string) => `${capital(spoken(answer))} and step off`,
  eitherAnswer: (feed: string, one: string, two: string) =>
    `${capital(spoken(one))} or ${two} against ${the(spoken(feed))}, your choice`,
  finish: (last: string, finish: string) => `After ${the(last)} finish with ${the(finish)}`,
  solo: (who: string, moves: readonly string[]) => `${who}’s part alone, to take home: ${moves.join(", ")}`,
  otherFeed: (answer: string, feed: string, before: string) =>
    `${capital(feed)} instead of ${the(spoken(before))}; same answer: ${spoken(answer)}`,
  feint: (lure: string, feed: string) => `Show ${the(lure)}, throw ${the(spoken(feed))}`,
  hidden: (who: string, start: string, feed: string) =>
    `${who} starts with ${the(start)}; ${the(spoken(feed))} cuts into it`,
  punish: (feed: string, next: string, answer: string) =>
    `If you stay there after ${the(spoken(feed))}, ${the(next)} comes: ${answer}`,
  picks: (feeds: readonly string[]) => `Feeder picks: ${listed(feeds.map(asOne), "or")}`,
  called: (feeds: readonly string[]) => `I call: ${listed(feeds.map(asOne), "or")}`,
  tempo: (percent: string, way: "up" | "down" | "back" | "own", gear: readonly string[] = []) =>
    (way === "up" && percent.startsWith("100") ? "At full speed" : TEMPO_WORDS[way] + percent) + putOn(gear),
  stance: (who: string, lead: string) => `${who} leads with the ${lead} foot`,
  roles: (people: number) => (people > 2 ? "Rotate after each one" : "Swap after each one"),
  rule: (rule: string, instead: readonly string[]) =>
    instead.length === 0 ? capital(rule) : `${capital(rule)}: ${listed(instead)}`,
  instead: (answer: string, feed: string) => `${answer} against ${the(spoken(feed))}`,
  contact: (level: string, gear: readonly string[]) => `Now with ${level} contact${putOn(gear)}`,
  leaves: () => "Another finish: hit, let go, leave",
  third: (feed: string) => `Three in a triangle with ${the(spoken(feed))}: whoever answered attacks the next`,
  moving: () => "Both on the move. Feed to land",
  movingShort: () => "Both on the move. Feed at them, and stop short",
  alone: (what: readonly string[]) => `Only this, again and again: ${what.map(spoken).join(", ")}`,
  again: (times: number, feed: string, answer: string) =>
    `${TIMES[times] ?? `${times} times`} running: ${spoken(feed)}, ${spoken(answer)}`,
  sides: () => "Each time on the other side",
  onCount: () => "On the count, ten of them",
  allHigh: () => "All of it high",
  thrustIn: (count: number) => `After count ${count} each throws a thrust; parry it and go on`,
  harderPush: (what: "push" | "pressure") => `The ${what} is stronger`,
  suddenPush: (what: "push" | "pressure") => `The ${what} comes all at once`,
  together: () => "Feet together",
  movingOnPads: () => "Both on the move. The holder shows the pads on the way",
  nextBlow: (blows: readonly string[], blow: string) => `Behind ${the(spoken(blows[blows.length - 1]!))} ${the(blow)}`,
  swingBack: (blows: readonly string[], under: string) =>
    `After ${the(spoken(blows[blows.length - 1]!))} the holder swings back: ${under}`,
  anyTime: (blows: readonly string[], under: string) =>
    `The holder swings back when they like: ${blows.map(spoken).join(", ")}, and ${under} if it comes`,
  otherWay: () => "The other way round the triangle",
  movingFelt: () => "Both on the move. Stay in touch",
  joined: (feeds: readonly string[]) => `Both in one go: ${feeds.map(spoken).join(", ")}`,
  otherAnswer: (feed: string, answer: string, before: string) =>
    `Against ${the(spoken(feed))}: ${answer} instead of ${before}`,
  height: (feed: string, height: string, answer: string) => `${capital(spoken(feed))} comes ${height}: ${answer}`,
  mirror: () => "Everything on the other side",
  mirrorWithTools: () => "Everything on the other side, tools in the other hand",
  tool: (words: string, without: string) => `${words}: the same lines, other answers, slow again${without}`,
  inExchange: (change: string, exchange: number) => `${change}, in exchange ${exchange}`,
  toolAlone: (words: string, without: string) => `${words}: the same drill, slow again${without}`,
  left: (rows: readonly number[]) =>
    rows.length === 0 ? "" : `; no such line for ${rows.length === 1 ? "row" : "rows"} ${listed(rows.map(String))}`,
  hands: (count: number | null) =>
    count === null ? "Once round, change hands, go on" : `After ${count} counts change hands, go on`,
  entry: (count: number, who: string, other: string) =>
    `After count ${count} ${who} takes the far end, ${other} slaps it off, go on`,
} as const;

/** What of a row is not there yet, behind the name of what is. */
export type StillMissing = "return" | "answers" | "more answers" | "line" | "hit" | "rest" | "parts" | "blows" | null;

const STILL: Readonly<Record<Exclude<StillMissing, null>, string>> = {
  return: " No return yet",
  answers: " One answer only",
  "more answers": " Not all answers yet",
  line: " No second line yet",
  hit: " No hit yet",
  rest: " Only the beginning of it",
  parts: " Nothing else yet",
  blows: " No more yet",
};

/** The words for changes of a row. */
export const ROW_CHANGES = {
  first: (feed: string, answers: readonly string[], still: StillMissing, pace: "slow" | "own") =>
    [capital([spoken(feed), ...answers].join(", ")), still && STILL[still], pace === "slow" && " Slow"]
      .filter(Boolean)
      .join("."),
  asItIs: () => "The drill as it is",
  add: (names: readonly string[], still: StillMissing) =>
    `Add ${listed(names.map(the))}${still ? `.${STILL[still]}` : ""}`,
  met: (who: string, answers: readonly string[]) => `Now ${who} answers it: ${answers.map(spoken).join(", ")}`,
  hitBack: (name: string) => `Now hit back after ${the(name)}`,
  hitWith: (name: string) => `Now hit in the same beat: ${name}`,
  hitBackWith: (name: string, blows: readonly string[]) => `After ${the(name)} hit back: ${listed(blows)}`,
  wholeAndNext: (before: string, name: string, still: StillMissing) =>
    `Hit back after ${the(before)}, and add ${the(name)}${still ? `.${STILL[still]}` : ""}`,
  goOn: (feed: string) => `Go on: ${spoken(feed)}`,
  layers: (feed: string, answers: readonly string[]) =>
    `Against ${the(spoken(feed))} now ${listed(answers.map((one) => spoken(one).replaceAll(" + ", " and ")))}`,
  whole: (name: string) => `All of it: ${name}`,
  wholeMove: ([move, ...rest]: readonly string[]) =>
    `Now the whole ${spoken(move!)}${rest.length > 0 ? `, then ${listed(rest)}` : ""}`,
  behind: (before: string, names: readonly string[], then: "hit back" | null) =>
    `Behind ${the(before)} ${listed(names.map((name) => the(spoken(name))))}${then ? `, and ${then}` : ""}`,
  numbers: (text: string) => `All numbers: ${text}`,
  moreNumbers: (text: string) => `More numbers: ${text}`,
  moreAnswers: (name: string) => `One more answer to ${the(name)}, your choice`,
  allAnswers: (name: string) => `All answers to ${the(name)}, your choice`,
  picks: (who: string, names: readonly string[]) =>
    who === "call"
      ? CHANGES.called(names)
      : who === "A"
        ? CHANGES.picks(names)
        : `${who} picks: ${listed(names.map(asOne), "or")}`,
  part: (name: string) => `Next part: ${name}`,
  keepGoing: () => "Keep it going, round and round",
  withoutStop: () => "No stop between the rows",
} as const;
