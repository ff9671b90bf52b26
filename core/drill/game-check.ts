/**
 * Games: everything that the feeder may do has an answer among what the others may do, both can score, the touch
 * is safe, and it is said whether the game is fair for these two. Each option is checked against each, as a row
 * from the start of the game.
 */
import { share, type Share } from "../base/units.ts";
import { applySetUp, limbFindings } from "../exchange/limbs.ts";
import { holdReach, stays } from "../exchange/cue.ts";
import type { Setting } from "../exchange/exchange.ts";
import { distanceOf, withBody, withState, type World } from "../body/state.ts";
import type { FindingDraft } from "../findings/finding.ts";
import type { ReadLine } from "../read/types.ts";
import type { Actor, Line, Row, ScoreGame } from "../score/types.ts";
import { distanceIn, distancesOf, place, type Distances } from "./frame.ts";
import { gameFindings } from "./game-findings.ts";
import { readGame } from "./game-read.ts";
import type { CheckedGame, Game, GameCell, GameEvener, GameHole, GameMay, GameOption } from "./game-types.ts";
import { asTheyStand, emptyWalk, wordFinding, type Walk } from "./pending.ts";
import type { Prepared } from "./prepare.ts";
import { shareOf, worstOf, type LineShare } from "./shares.ts";
import type { Usage } from "../customs/customs.ts";
import { walkLine, type LineResult } from "./walk.ts";

/** A game as it was judged, with what it adds to the load and the gear of its drill. */
interface GameResult {
  readonly checked: CheckedGame;
  readonly findings: readonly FindingDraft[];
  readonly shares: readonly LineShare[];
}

/** Checks a game for the bodies at hand. */
export function checkGame(written: ScoreGame, prepared: Prepared, usage: Usage): GameResult {
  const { game, findings } = readGame(written);
  const table = new GameTable(game, prepared, usage);
  const [feeds, ...others] = game.may;
  const said = [...findings, ...table.wordFaults(), ...table.startFindings];
  if (!feeds || others.length === 0 || feeds.options.length === 0) {
    const nobody = {
      feeder: feeds?.actor ?? null,
      answers: [],
      holes: [],
      exchanges: [],
      fairness: { answered: 0, of: 0 },
      evener: null,
    };
    return { checked: { game, ...nobody, verdict: "broken" }, findings: said, shares: [] };
  }
  const pairs = others.map((may) => table.pairs(feeds, may, feeds.options.length));
  const answers = pairs.map((rows, i) => ({ actor: others[i]!.actor, cells: rows.map((row) => row.map(cellOf)) }));
  const holes = others.flatMap((may, i): GameHole[] =>
    feeds.options.flatMap((option, row) =>
      isHole(answers[i]!.cells[row]!) ? [{ option, feeder: feeds.actor, responder: may.actor }] : [],
    ),
  );
  const { tempo } = prepared.header;
  const cells = answers.map((one) => one.cells);
  const fairness = { answered: answeredAt(cells, tempo), of: feeds.options.length };
  const evener = holes.length === 0 ? evenerOf(cells, tempo, () => table.withTwo(feeds, others)) : null;
  const exchanges = pairs.flat(2).flatMap(({ result }) => result.exchanges);
  const half = { game, feeder: feeds.actor, answers, holes, exchanges, fairness, evener };
  const all = [...said, ...gameFindings(half, prepared.header, (option) => table.features(option))];
  const worst = worstOf(all);
  const verdict = worst === "error" ? "broken" : worst === "risk" ? "risky" : "sound";
  const shares = pairs.flatMap((rows) => rows.flatMap((row) => (row.length > 0 ? [shareIn(row, game)] : [])));
  return { checked: { ...half, verdict }, findings: all, shares };
}

/** One option of the feeder against one of another. */
interface Pair {
  readonly line: Line;
  readonly result: LineResult;
}

class GameTable {
  /** Where each go begins. */
  private readonly world: World;
  readonly startFindings: FindingDraft[] = [];
  private readonly distances: Distances;

  constructor(
    private readonly game: Game,
    private readonly prepared: Prepared,
    private readonly usage: Usage,
  ) {
    const { header, reader } = prepared;
    this.distances = distancesOf(game.range ? { ...header, range: game.range } : header, reader);
    this.world = this.start();
  }

  /** Words that cannot be read in what they may do, each once. */
  wordFaults(): FindingDraft[] {
    return this.game.may.flatMap(({ actor, options }) =>
      options.flatMap((option) =>
        this.read(lineOf(option, [[actor, option]])).faults.map((fault) => wordFinding(fault, option.row)),
      ),
    );
  }

  /** What an option is made of, in the words of the vocabulary. */
  features(option: GameOption) {
    const { actor } = this.game.may.find(({ options }) => options.includes(option))!;
    const { plays } = this.read(lineOf(option, [[actor, option]]));
    const done = plays.flatMap(({ turns }) => turns.flatMap(({ alternatives }) => alternatives.flat()));
    return done.flatMap((one) => asTheyStand(one, this.world, this.walk(option.row, [])).map(({ uses }) => uses));
  }

  /** All options of the feeder against all of another; `choices`: how many may come. */
  pairs(feeds: GameMay, may: GameMay, choices: number): readonly (readonly Pair[])[] {
    const setting = this.setting(choices);
    return feeds.options.map((feed) => {
      const start = this.cameIn(feeds.actor, feed);
      return may.options.map((answer) => {
        const line = lineOf(feed, [
          [feeds.actor, feed],
          [may.actor, answer],
        ]);
        return { line, result: walkLine({ row: feed.row }, this.read(line), start, setting) };
      });
    });
  }

  /** The same where only two of the feeds may come. */
  withTwo(feeds: GameMay, others: readonly GameMay[]): Cells {
    return others.map((may) => this.pairs(feeds, may, Math.min(2, feeds.options.length)).map((row) => row.map(cellOf)));
  }

  /** A walk through a row of the game, for words as somebody stands. */
  private walk(row: Row, findings: FindingDraft[]): Walk {
    return emptyWalk({ row, setting: this.setting(1), findings });
  }

  private read(line: Line): ReadLine {
    return this.prepared.reader.read(line);
  }

  private setting(choices: number): Setting {
    return { header: this.prepared.header, usage: this.usage, choices, label: null, section: null, pass: null };
  }

  /** The bodies at the start: the distance that is written, or that of the first feed; then the set-ups. */
  private start(): World {
    const { game, prepared } = this;
    const [feeds] = game.may;
    const row: Row = game.row;
    const lines = (feeds?.options ?? []).map((option) => lineOf(option, [[feeds!.actor, option]]));
    const items = lines.map((line) => ({ kind: "line" as const, row, label: null, line, form: null }));
    let world = place(prepared.header, distanceIn(items, this.distances));
    for (const { row: at, line } of game.start) world = this.setUp(at, line, world);
    return world;
  }

  /** In a game people move: the feeder comes in from further away, as far as the feed needs. */
  private cameIn(actor: Actor, feed: GameOption): World {
    const { world } = this;
    const me = world[actor]!;
    const partner = world[actor === "A" ? "B" : "A"];
    const landing = this.distances.by(lineOf(feed, [[actor, feed]]));
    if (!landing || !partner) return world;
    const away = distanceOf(me, partner);
    if (away <= landing.most) return world;
    const share = landing.usual / away;
    const x = partner.x + (me.x - partner.x) * share;
    const y = partner.y + (me.y - partner.y) * share;
    return withBody(world, withState(me, { x, y }));
  }

  private setUp(row: Row, line: Line, start: World): World {
    const read = this.read(line);
    for (const fault of read.faults) this.startFindings.push(wordFinding(fault, row));
    let world = start;
    for (const { turns } of read.plays)
      for (const done of turns.flatMap(({ alternatives }) => alternatives[0] ?? []))
        for (const { uses } of asTheyStand(done, world, this.walk(row, this.startFindings))) {
          const { actor } = done;
          const other: Actor = actor === "A" ? "B" : "A";
          this.startFindings.push(...limbFindings(uses, row, world, actor, null));
          this.startFindings.push(...holdReach(uses, { actor, receiver: other, row }, world));
          world = applySetUp(uses, world, actor, other);
        }
    return world;
  }
}

/** Options of people one after the other, as a line of play in the row of the first. */
const lineOf = (first: GameOption, turns: readonly (readonly [Actor, GameOption])[]): Line => ({
  from: first.from,
  to: first.to,
  meets: false,
  several: false,
  turns: turns.map(([actor, { from, to, alternative }]) => ({ from, to, actor, alternatives: [alternative] })),
});

function cellOf({ result: { exchanges, findings } }: Pair): GameCell {
  const returns = exchanges.some((e) => e.returns.some(({ lands }) => lands));
  if (exchanges.length === 0) return { verdict: "nothing", ceiling: null, forNothing: false, returns };
  const shown = exchanges.every(({ feed }) => feed?.feint === true);
  const forNothing = shown && exchanges.some(({ answer }) => !answer.every(({ move }) => stays(move)));
  const worst = worstOf([...findings, ...exchanges.flatMap((e) => e.findings)]);
  const unread = exchanges.some((e) => e.verdict === "unread");
  const ceilings = exchanges.flatMap((e) => (e.ceiling === null ? [] : [e.ceiling]));
  const ceiling = ceilings.length > 0 ? share(Math.min(...ceilings)) : null;
  const verdict = worst === "error" || unread ? "invalid" : worst === "risk" ? "risky" : "valid";
  return { verdict, ceiling, forNothing, returns };
}

const holds = ({ verdict }: GameCell): boolean => verdict !== "invalid";
const inTime = ({ ceiling }: GameCell, tempo: Share): boolean => ceiling === null || ceiling >= tempo;
const isHole = (row: readonly GameCell[]): boolean => !row.some(holds);

/** For each who answers, each feed, each answer. */
type Cells = readonly (readonly (readonly GameCell[])[])[];

/** How many feeds everybody can still answer at a tempo. */
function answeredAt(all: Cells, tempo: Share): number {
  const feeds = all[0]?.length ?? 0;
  let answered = 0;
  for (let i = 0; i < feeds; i++)
    if (all.every((rows) => rows[i]!.some((cell) => holds(cell) && inTime(cell, tempo)))) answered++;
  return answered;
}

/** The slowest tempo at which a game is still played, and the steps in which it is looked for. */
const SLOWEST = 0.3;
const STEP = 0.05;

/** What makes every feed answerable: a slower tempo first, then no more than two options. */
function evenerOf(cells: Cells, tempo: Share, withTwo: () => Cells): GameEvener | null {
  const all = cells[0]?.length ?? 0;
  if (answeredAt(cells, tempo) === all) return null;
  const steps = Math.floor((tempo - SLOWEST) / STEP + 1e-9);
  for (let i = 1; i <= steps; i++) {
    const slower = share(Math.round((tempo - i * STEP) * 100) / 100);
    if (answeredAt(cells, slower) === all) return { slower };
  }
  return answeredAt(withTwo(), tempo) === all ? "two options" : null;
}

/** What a feed with its best answer adds: gear and floor where the touch is on the body, and no verdict of its own. */
function shareIn(row: readonly Pair[], { touch }: Game): LineShare {
  const best =
    row.find((pair) => cellOf(pair).verdict === "valid") ?? row.find((pair) => holds(cellOf(pair))) ?? row[0]!;
  const all = shareOf(best.result, best.line);
  const thrown = all.thrown.filter(({ weapon, fells }) => weapon || fells || touch?.body !== false);
  return { ...all, thrown, worst: null, ceiling: null, lateAbove: null };
}
