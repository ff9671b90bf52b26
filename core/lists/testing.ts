/** A drill of the list for tests. */
import type { DrillListRow } from "./drill-list.ts";

export const drillRow = (title: string, more: Partial<DrillListRow> = {}): DrillListRow => ({
  id: title,
  title,
  kind: "feeder",
  verdict: "sound",
  load_total: 5,
  last_trained: null,
  starred: false,
  tags: [],
  parent_id: null,
  parent_title: null,
  changed: null,
  summary: { level: "beginners", tools: [], exchanges: 3, findings: 0 },
  ...more,
});
