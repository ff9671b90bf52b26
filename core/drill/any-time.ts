/** Rows that may come at any time: each is tried after every turn of its section, and the worst place counts. */
import { lineNumber } from "../base/units.ts";
import { emptyWalk, thrown, type Rest } from "./pending.ts";
import type { Pass } from "./score-walk.ts";
import { worstOf, type Worst } from "./shares.ts";
import { walkLine, type LineResult } from "./walk.ts";
import type { World } from "../body/state.ts";
import type { Setting } from "../exchange/exchange.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import { usesIn } from "../read/uses.ts";
import { MAX_ANY_TIME } from "../score/limits.ts";
import type { Actor, Row, ScoreBeside, ScoreItem } from "../score/types.ts";

/** Behind what is said of it in calls and drawings. */
const ANY_TIME = "any time";

/** Most different places that a row is tried from; further ones hardly differ from these. */
const MOST_PLACES = 48;

/** A place of a section: where somebody has done their turn, or a line begins. */
interface PlaceOf {
  readonly rest: Rest;
  readonly row: Row;
}

interface Section {
  readonly rows: ScoreBeside[];
  readonly places: PlaceOf[];
}

/** The rows of a score that may come at any time: in the rows of their section, or in all rows if they come before the first section. */
export class AnyTimes {
  private readonly sections: readonly { readonly from: number; readonly section: Section }[];
  /** There is none in the score: nothing need be kept. */
  readonly none: boolean;

  constructor(items: readonly ScoreItem[]) {
    const sections = [{ from: 0, section: sectionOf() }];
    const walk = (all: readonly ScoreItem[]) => {
      for (const item of all) {
        if (item.kind === "section") sections.push({ from: item.row.index, section: sectionOf() });
        if (item.kind === "any time") sections.at(-1)!.section.rows.push(item);
        if (item.kind === "block") walk(item.items);
      }
    };
    walk(items);
    this.sections = sections;
    this.none = sections.every(({ section }) => section.rows.length === 0);
  }

  /** How many more things may come in a row than it says itself. */
  besides(row: Row): number {
    return this.none ? 0 : this.rowsFor(this.at(row)).length;
  }

  /** Keeps where a line begins and where its turns end. */
  keep(row: Row, start: World, { rests }: LineResult): void {
    const section = this.at(row);
    if (this.rowsFor(section).length === 0) return;
    for (const rest of [{ world: start, pending: [], after: "" }, ...rests]) section.places.push({ rest, row });
  }

  /** Bits that they add to the choices of a score: log2 of what may come, the rows themselves being one. */
  get bits(): number {
    return this.sections.reduce((sum, { section }) => sum + Math.log2(1 + section.rows.length), 0);
  }

  /** Tries each row from all places where it may come. */
  check(pass: Pass): void {
    let count = 0;
    for (const [i, { section }] of this.sections.entries())
      for (const item of section.rows) {
        if (++count > MAX_ANY_TIME) {
          pass.found.say(beyond(item, { code: "many", most: MAX_ANY_TIME }));
          return;
        }
        const places = i === 0 ? this.sections.flatMap((one) => one.section.places) : section.places;
        checkRow(item, { rows: this.rowsFor(section), places }, pass);
      }
  }

  private rowsFor(section: Section): readonly ScoreBeside[] {
    const everywhere = this.sections[0]!.section;
    return section === everywhere ? section.rows : [...everywhere.rows, ...section.rows];
  }

  private at(row: Row): Section {
    return this.sections.findLast(({ from }) => from <= row.index)!.section;
  }
}

const sectionOf = (): Section => ({ rows: [], places: [] });

const beyond = ({ row, shows: { line } }: ScoreBeside, params: FindingDraft["params"]): FindingDraft =>
  draft(row, line, "any-time", params);

function checkRow(
  item: ScoreBeside,
  { rows, places }: { readonly rows: readonly ScoreBeside[]; readonly places: readonly PlaceOf[] },
  pass: Pass,
): void {
  const { header, usage, prepared, found } = pass;
  const { shows, row } = item;
  const read = prepared.reader.read(shows.line);
  const [first, second] = read.plays[0]?.turns ?? [];
  const feeder = first?.actor;
  if (feeder === undefined || feeder === "both" || second === undefined) {
    found.say(beyond(item, { code: "shape" }));
    return;
  }
  const responder = second.actor === "both" ? (feeder === "A" ? "B" : "A") : second.actor;
  const setting: Setting = { header, usage, choices: 1 + rows.length, label: ANY_TIME, section: null, pass: null };
  const from = places.filter(({ rest }) => !owes(rest, responder));
  if (from.length === 0) {
    found.say(beyond(item, { code: "nowhere" }));
    from.push({ rest: { world: prepared.frameFor([shows]).world, pending: [], after: "" }, row });
  }
  let worst: { result: LineResult; place: PlaceOf; grave: number } | null = null;
  const seen = new Set<string>();
  for (const place of from) {
    const world = whereTheyRest(place, setting);
    const key = keyOf(world);
    if (seen.has(key) || seen.size >= MOST_PLACES) continue;
    seen.add(key);
    const result = walkLine(shows, read, world, setting);
    const grave = canFeed(result, feeder) ? gravity(result) : -1;
    if (!worst || grave > worst.grave) worst = { result, place, grave };
  }
  const { result, place } = worst!;
  if (result.exchanges.length === 0) found.say(beyond(item, { code: "shape" }));
  const { after } = place.rest;
  const anyTime = { after: after || "the start", row: place.row === row ? null : place.row };
  const says =
    anyTime.row &&
    `It is hardest ${after ? `behind “${after}”` : "at the start"} (line ${lineNumber(place.row.index)}).`;
  const exchanges = result.exchanges.map((e) => ({ ...e, says: e.says ?? says, anyTime }));
  found.take({ ...result, exchanges }, shows, setting);
  found.say(...besideRules(item, { responder, result, pass, places: from }));
}

/** Somebody still has to answer what came before. */
const owes = ({ pending }: Rest, who: Actor): boolean =>
  pending.some(({ feed }) => feed !== null && feed.receiver === who);

/** The bodies once everything that was sent back has been thrown. */
function whereTheyRest({ rest, row }: PlaceOf, setting: Setting): World {
  const walk = emptyWalk({ row, setting });
  return rest.pending.reduce((world, { feed }) => (feed ? thrown(feed, world, walk) : world), rest.world);
}

/** Equal for places that are hardly different to be fed at: same feet, weight and hands, heads and distance within 2 cm. */
function keyOf(world: World): string {
  const round = (m: number) => Math.round(m * 50);
  return [world.A, world.B, world.C]
    .map((s) => {
      if (!s) return "";
      const { head } = s.posture;
      const place = [s.x, s.y, head.u, head.w, head.d].map(round);
      return JSON.stringify([place, s.lead, s.weight, s.unrecovered, s.chamber, s.spent, s.holds, s.weaponSide]);
    })
    .join(";");
}

/** What keeps a feed from being sent at all: from such a place nobody sends it, and it is tried from the others. */
const HINDERS: ReadonlySet<string> = new Set(["limb-pinned", "not-recovered", "out-of-reach", "too-close"]);
const canFeed = ({ exchanges: [first] }: LineResult, feeder: Actor): boolean =>
  first?.feed !== null &&
  first?.findings.some(
    ({ rule, from, params }) =>
      HINDERS.has(rule) && from === first.feed!.from && (params.actor ?? feeder) === feeder && params.code !== "return",
  ) === false;

const GRAVE: Readonly<Record<NonNullable<Worst>, number>> = { error: 2, risk: 1 };
/** How bad a result is: by its gravest finding, then by how little is left. */
function gravity({ exchanges, findings }: LineResult): number {
  const worst = worstOf([...findings, ...exchanges.flatMap((e) => e.findings)]);
  const margin = Math.min(0.5, ...exchanges.map((e) => e.margin ?? 0.5));
  return (worst ? GRAVE[worst] : 0) + (0.5 - Math.max(-0.4, margin)) / 2;
}

/** Two things never come at any time: anything while pads are held, and a blow to the head of a minor. */
function besideRules(
  item: ScoreBeside,
  {
    responder,
    result,
    pass: { header, prepared },
    places,
  }: { responder: Actor; result: LineResult; pass: Pass; places: readonly PlaceOf[] },
): FindingDraft[] {
  const found: FindingDraft[] = [];
  const pads = places.some(({ row: { content } }) => {
    const lines = content.body.kind === "play" ? content.body.lines : [];
    return lines.some((line) => usesIn(prepared.reader.read(line)).some(({ move }) => move.cue === "pad"));
  });
  if (pads) found.push(beyond(item, { code: "pads" }));
  const head = result.exchanges.some((e) => e.responder === responder && e.blow?.zone === "head");
  if (head && header.people[responder].minor) found.push(beyond(item, { code: "minor", actor: responder }));
  return found;
}
