/** What a walk through a score gathers: everything for the reader, or only what each line adds to verdict and load. */
import type { Setting } from "../exchange/exchange.ts";
import { atTempo } from "./late.ts";
import { cachedLine, cachedShare } from "./line-cache.ts";
import { graver, lateIn, shareOf, worstOf, type LineShare, type Worst } from "../policy/shares.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import type { LineResult } from "./walk.ts";
import type { World } from "../body/state.ts";
import type { FindingDraft } from "../findings/finding.ts";
import { graded, type School } from "../policy/school.ts";
import type { Header } from "../score/header.ts";
import type { ScoreLine } from "../score/types.ts";

export interface Found {
  /** Exchanges in order; where only shares are gathered, those of a feeder's choice. */
  readonly exchanges: readonly CheckedExchange[];
  readonly shares: readonly LineShare[];
  say(...findings: readonly FindingDraft[]): void;
  /** A line that starts from the frame: known ones are not walked again. */
  fromFrame(item: ScoreLine, setting: Setting, key: number, frame: World): void;
  /** A line that starts from where the one before ended. */
  take(result: LineResult, item: ScoreLine, setting: Setting): void;
  /** An empty one of the same kind, for a pass whose exchanges only repeat others. */
  another(): this;
  /** Takes over what is wrong in such a pass. */
  wrongOf(other: this): void;
}

/** Every exchange and finding, with its place in the text. */
export class AllFound implements Found {
  readonly exchanges: CheckedExchange[] = [];
  readonly findings: FindingDraft[] = [];
  readonly shares: LineShare[] = [];

  constructor(
    private readonly header: Header,
    private readonly school: School,
  ) {}

  say(...findings: readonly FindingDraft[]): void {
    this.findings.push(...findings);
  }

  fromFrame(item: ScoreLine, setting: Setting, key: number, frame: World): void {
    this.take(cachedLine(item, key, frame, setting), item, setting);
  }

  take(result: LineResult, { line }: ScoreLine, { school }: Setting): void {
    for (const e of result.exchanges) this.exchanges.push(atTempo(e, this.header, this.school));
    this.findings.push(...result.findings);
    this.shares.push(shareOf(result, line, school));
  }

  another(): this {
    return new AllFound(this.header, this.school) as this;
  }

  wrongOf(other: this): void {
    this.findings.push(...other.findings, ...other.exchanges.flatMap((e) => e.findings));
  }
}

/** What each line adds, and how grave the gravest finding is. */
export class SharesFound implements Found {
  readonly exchanges: CheckedExchange[] = [];
  readonly shares: LineShare[] = [];
  worst: Worst = null;

  constructor(
    private readonly header: Header,
    private readonly school: School,
  ) {}

  say(...findings: readonly FindingDraft[]): void {
    if (findings.length === 0) return;
    this.worst = graver(this.worst, worstOf(graded(findings, this.school)));
  }

  fromFrame(item: ScoreLine, setting: Setting, key: number, frame: World): void {
    // Whether two feeds of a choice look alike is asked of their exchanges.
    if (setting.choices > 1) this.take(cachedLine(item, key, frame, setting), item, setting);
    else this.add(cachedShare(item, key, frame, setting));
  }

  take(result: LineResult, { line }: ScoreLine, setting: Setting): void {
    if (setting.choices > 1) this.exchanges.push(...result.exchanges);
    this.add(shareOf(result, line, setting.school));
  }

  another(): this {
    return new SharesFound(this.header, this.school) as this;
  }

  wrongOf(other: this): void {
    this.worst = graver(this.worst, other.worst);
  }

  private add(share: LineShare): void {
    this.shares.push(share);
    this.worst = graver(this.worst, graver(share.worst, lateIn(share, this.header.tempo, this.school)));
  }
}
