/** What a walk through a score gathers. */
import { atTempo } from "./late.ts";
import { cachedLine } from "./line-cache.ts";
import type { Frame } from "./prepare.ts";
import { shareOf, type LineShare } from "./shares.ts";
import type { LineResult } from "./walk.ts";
import type { Setting } from "../exchange/exchange.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import type { FindingDraft } from "../findings/finding.ts";
import type { Header } from "../score/header.ts";
import type { ScoreLine } from "../score/types.ts";

export interface Found {
  /** Exchanges in order; where only shares are gathered, those of a feeder's choice. */
  readonly exchanges: readonly CheckedExchange[];
  readonly shares: readonly LineShare[];
  say(...findings: readonly FindingDraft[]): void;
  /** A line that starts from the frame: known ones are not walked again. */
  fromFrame(item: ScoreLine, setting: Setting, frame: Frame): void;
  /** A line that starts from where the one before ended. */
  take(result: LineResult, item: ScoreLine, setting: Setting): void;
  /** An empty one of the same kind, for a pass whose exchanges only repeat others. */
  emptyCopy(): this;
  /** Takes over what is wrong in such a pass. */
  mergeErrors(other: this): void;
}

/** Every exchange and finding, with its place in the text. */
export class AllFound implements Found {
  readonly exchanges: CheckedExchange[] = [];
  readonly findings: FindingDraft[] = [];
  readonly shares: LineShare[] = [];

  constructor(private readonly header: Header) {}

  say(...findings: readonly FindingDraft[]): void {
    this.findings.push(...findings);
  }

  fromFrame(item: ScoreLine, setting: Setting, frame: Frame): void {
    this.take(cachedLine(item, setting, frame), item);
  }

  take(result: LineResult, { line }: ScoreLine): void {
    for (const e of result.exchanges) this.exchanges.push(atTempo(e, this.header));
    this.findings.push(...result.findings);
    this.shares.push(shareOf(result, line));
  }

  emptyCopy(): this {
    return new AllFound(this.header) as this;
  }

  mergeErrors(other: this): void {
    this.findings.push(...other.findings, ...other.exchanges.flatMap((e) => e.findings));
  }
}
