/** What a search asks of each of the many scores that it looks at: verdict and load, without exchanges and words. */
import type { Metres, Share } from "../base/units.ts";
import { graded, judgeExchange } from "./judge.ts";
import { severityOf, type School } from "./school.ts";
import type { RuleSetting } from "./settings.ts";
import { Bounded, keptFor } from "../base/bounded.ts";
import { walkScore, type Bodies } from "../drill/check.ts";
import type { Found } from "../drill/found.ts";
import { cachedLine, lineKey, passingLine } from "../drill/line-cache.ts";
import { loadOf, type Load } from "../drill/load.ts";
import { prepare, type Frame } from "../drill/prepare.ts";
import { worseOf, lateIn, shareOf, worstOf, type LineShare, type Worst } from "../drill/shares.ts";
import type { LineResult } from "../drill/walk.ts";
import type { Setting } from "../exchange/exchange.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import type { FindingDraft } from "../findings/finding.ts";
import { RULES } from "../findings/rules.ts";
import type { Header } from "../score/header.ts";
import type { Line, Score, ScoreLine } from "../score/types.ts";

/** A drill in short: verdict, load, tempo. */
export interface Assessed {
  readonly verdict: "sound" | "risky" | "broken";
  readonly load: Load;
  /** Share of full speed. */
  readonly tempo: Share;
  /** Of A and B at the start, m. */
  readonly distance: Metres;
  /** What each line adds, in the order of the text. */
  readonly shares: readonly LineShare[];
}

/** The verdict and the load that `checkFor` gives; known lines cost next to nothing. */
export function assess(score: Score, school: School, bodies: Bodies = {}): Assessed {
  const prepared = prepare(score, school, bodies);
  const { header, distance } = prepared;
  const found = new SharesFound(header, school);
  walkScore(score, school, prepared, found);
  const verdict = found.worst === "error" ? "broken" : found.worst === "risk" ? "risky" : "sound";
  const { shares } = found;
  return { verdict, load: loadOf(score, header, shares, school.load), tempo: header.tempo, distance, shares };
}

const lateGrade = (school: School): RuleSetting => severityOf("late", RULES.late.severity, school);

/** Places of the lines that hold an error, from 0. */
export function wrongLines({ shares, tempo }: Assessed, school: School): Set<number> {
  const wrong = new Set<number>();
  const late = lateGrade(school);
  for (const [i, share] of shares.entries())
    if (worseOf(share.worst, lateIn(share, tempo, late)) === "error") wrong.add(i);
  return wrong;
}

const judgeLine = (result: LineResult, school: School): LineResult =>
  school.key === ""
    ? result
    : {
        ...result,
        exchanges: result.exchanges.map((e) => judgeExchange(e, school)),
        findings: [...graded(result.findings, school)],
      };

/** What a line adds, by school: that in the first frame it was met in, where most lines stay, and those in others. */
interface KeptShares {
  readonly key: number;
  readonly share: LineShare;
  others: Bounded<number, LineShare> | null;
}
const kept = new WeakMap<School, WeakMap<Line, KeptShares>>();
/** Most frames for which the share of a line is kept. */
const MOST_SHARES = 64;

/** What a line adds in this frame; the result from which it was taken is not kept. */
function cachedShare(item: ScoreLine, setting: Setting, frame: Frame, school: School): LineShare {
  const { line } = item;
  const key = lineKey(frame, setting);
  const make = () => shareOf(judgeLine(passingLine(item, setting, frame), school), line);
  const lines = keptFor(kept, school, () => new WeakMap<Line, KeptShares>());
  const known = keptFor(lines, line, () => ({ key, share: make(), others: null }));
  if (known.key === key) return known.share;
  return (known.others ??= new Bounded(MOST_SHARES)).of(key, make);
}

/** What each line adds, and how grave the gravest finding is. */
class SharesFound implements Found {
  readonly exchanges: CheckedExchange[] = [];
  readonly shares: LineShare[] = [];
  worst: Worst = null;
  showsWrong = false;
  private readonly late: RuleSetting;

  constructor(
    private readonly header: Header,
    private readonly school: School,
  ) {
    this.late = lateGrade(school);
  }

  say(...findings: readonly FindingDraft[]): void {
    if (findings.length === 0) return;
    this.worst = worseOf(this.worst, worstOf(graded(findings, this.school)));
  }

  fromFrame(item: ScoreLine, setting: Setting, frame: Frame): void {
    // Whether two feeds of a choice look alike is asked of their exchanges.
    if (setting.choices > 1) this.take(cachedLine(item, setting, frame), item, setting);
    else this.add(cachedShare(item, setting, frame, this.school));
  }

  fromWrong(): void {
    this.showsWrong = true;
  }

  fromGame(_: unknown, shares: readonly LineShare[]): void {
    this.shares.push(...shares);
  }

  take(result: LineResult, { line }: ScoreLine, setting: Setting): void {
    if (setting.choices > 1) this.exchanges.push(...result.exchanges);
    this.add(shareOf(judgeLine(result, this.school), line));
  }

  emptyCopy(): this {
    return new SharesFound(this.header, this.school) as this;
  }

  mergeErrors(other: this): void {
    this.worst = worseOf(this.worst, other.worst);
  }

  sound(): boolean {
    return this.worst !== "error";
  }

  stopsNext(next: this): readonly string[] {
    this.mergeErrors(next);
    return [];
  }

  private add(share: LineShare): void {
    this.shares.push(share);
    this.worst = worseOf(this.worst, worseOf(share.worst, lateIn(share, this.header.tempo, this.late)));
  }
}
