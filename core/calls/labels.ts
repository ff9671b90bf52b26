/** What can be called in a drill: the labels of its choices, or its first feeds where it has none. */
import type { Checked } from "../drill/types.ts";
import type { CallLabel } from "./calls.ts";

/** At most this many feeds are taken as calls. */
const MOST = 12;

export function callLabels(checked: Checked): CallLabel[] {
  const labels = [...new Set(checked.exchanges.flatMap((e) => (e.label === null ? [] : [e.label])))];
  const feeds = [...new Map(checked.exchanges.map((e) => [e.row.index, e.feedText])).values()];
  const names = labels.length > 0 ? labels : [...new Set(feeds)].slice(0, MOST);
  return names.map((name) => ({ name, weight: 1 }));
}
