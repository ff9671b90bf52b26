/** The text of a drill while it is worked on: checked after every key stroke, kept on this device, found again. */
import { useCallback, useEffect, useRef, useState } from "react";
import type { ScoreView } from "#core/formats/desk-view.ts";
import { problemsOf } from "#core/formats/finding-place.ts";
import { ask } from "../workers/client.ts";
import type { RepairsView } from "../workers/questions/checking.ts";
import { keepDraft, readDraft } from "./drafts.ts";

const NOTHING_TO_MEND: RepairsView = {};

/** `first`: what the saved text was found to be already; null where nobody has looked yet. */
export function useChecked(id: string, saved: string, first: ScoreView | null) {
  const [text, setText] = useState(saved);
  const [view, setView] = useState<ScoreView | null>(first);
  const latest = useRef(saved);
  const [trouble, setTrouble] = useState<string | null>(null);
  /** What was typed last time was found again and stands in place of the saved text. */
  const [restored, setRestored] = useState(false);

  const [repairs, setRepairs] = useState<RepairsView>(NOTHING_TO_MEND);

  const check = useCallback((next: string) => {
    ask("check", { text: next }, { replaces: "desk" }).then(
      (found) => {
        setView(found);
        setRepairs(NOTHING_TO_MEND);
        // What mends a finding is worked out behind it: each repair is checked before it is offered.
        if (found.findings.length > 0)
          ask("repairs", { text: next }, { replaces: "desk-repairs" }).then(setRepairs, () => undefined);
      },
      (error: Error) => setTrouble(error.message),
    );
  }, []);

  useEffect(() => {
    const draft = readDraft(id);
    const start = draft ?? saved;
    if (start !== saved) setRestored(true);
    latest.current = start;
    setText(start);
    // What the server found of a drill without a fault is all there is to show: the checker is loaded with the first key.
    if (start !== saved || !first || problemsOf(first.findings).length > 0) check(start);
    else setView(first);
  }, [id, saved, check]); // eslint-disable-line react-hooks/exhaustive-deps

  const change = useCallback(
    (next: string) => {
      // The editor tells of texts that were put into it as well.
      if (next === latest.current) return;
      latest.current = next;
      setRestored(false);
      setText(next);
      keepDraft(id, next);
      check(next);
    },
    [id, check],
  );
  const settle = useCallback(() => setRestored(false), []);
  return { text, view, repairs, trouble, restored, change, settle };
}
