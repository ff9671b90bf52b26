import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { lazy, Suspense, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { Link, useFetcher } from "react-router";
import type { ExchangeView, ScoreView } from "#core/formats/desk-view.ts";
import type { action } from "../routes/desk.tsx";
import { ScoreDrawing } from "../drawing/score-drawing.tsx";
import { VerdictRing } from "../ui/marks.tsx";
import { Notice, ScreenHead } from "../ui/parts.tsx";
import { ask } from "../workers/client.ts";
import { ConflictView } from "./conflict.tsx";
import { keepDraft, readDraft, dropDraft } from "./drafts.ts";
import type { EditorHandle } from "./score-editor.tsx";
import { Findings } from "./findings.tsx";

const ScoreEditor = lazy(() => import("./score-editor.tsx"));

export interface DeskDrill {
  readonly id: string;
  readonly title: string;
  readonly version: number;
}

/** One drill: its text, the same drawn, and what the checker says. */
export function DeskScreen({ drill, text: saved }: { drill: DeskDrill; text: string }) {
  const [text, setText] = useState(saved);
  const [view, setView] = useState<ScoreView | null>(null);
  const [cursor, setCursor] = useState<number | null>(null);
  // Drawing yields to typing: the newest view is drawn when there is time.
  const drawn = useDeferredValue(view);
  const drawnCursor = useDeferredValue(cursor);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [restored, setRestored] = useState(false);
  const editor = useRef<EditorHandle>(null);
  const docVersion = useRef(0);
  const [base, setBase] = useState({ text: saved, version: drill.version });
  const fetcher = useFetcher<typeof action>();
  const sent = useRef("");

  const check = useCallback((next: string) => {
    const version = ++docVersion.current;
    ask("check", { text: next }, { docVersion: version }).then(
      (answer) => {
        if (version === docVersion.current) setView(answer);
      },
      (error: Error) => setTrouble(error.message),
    );
  }, []);

  // What was typed and never saved is found again after a lost page or connection.
  useEffect(() => {
    const draft = readDraft(drill.id);
    const start = draft !== null && draft !== saved ? draft : saved;
    if (start !== saved) setRestored(true);
    setText(start);
    check(start);
  }, [drill.id, saved, check]);

  const change = useCallback(
    (next: string) => {
      setText(next);
      keepDraft(drill.id, next);
      check(next);
    },
    [drill.id, check],
  );

  const dirty = text !== base.text;
  const save = useCallback(
    (version = base.version, what = text) => {
      sent.current = what;
      void fetcher.submit(
        { intent: "save", revisionId: crypto.randomUUID(), version: String(version), text: what },
        { method: "post" },
      );
    },
    [fetcher, text, base.version],
  );

  const result = fetcher.data;
  useEffect(() => {
    if (result?.kind === "saved") {
      setBase({ text: sent.current, version: result.version });
      if (sent.current === text) dropDraft(drill.id);
      setRestored(false);
    }
    // Only a new answer of the server changes what is saved.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [result]);

  useSaveKey(() => save());

  const pick = useCallback((exchange: ExchangeView) => editor.current?.select(exchange.from, exchange.to), []);
  const apply = useCallback(
    (edits: readonly { from: number; to: number; insert: string }[]) => editor.current?.apply(edits),
    [],
  );
  const state =
    fetcher.state !== "idle"
      ? "Saving…"
      : dirty
        ? "Not saved yet; kept on this device"
        : `Saved, revision ${base.version}`;
  const tidy = () => void ask("format", { text }).then((next) => editor.current?.replaceAll(next));
  const title = view?.title ?? drill.title;

  return (
    <>
      <ScreenHead title={title} lead={view ? <DrillLine view={view} /> : "Reading the drill…"}>
        <Box component="span" role="status" sx={{ color: "text.secondary", mr: 1 }}>
          {state}
        </Box>
        <Button variant="contained" onClick={() => save()} disabled={!dirty || fetcher.state !== "idle"}>
          Save
        </Button>
        <Button variant="outlined" onClick={tidy}>
          Tidy
        </Button>
        <Button variant="outlined" component={Link} to={`/drills/${drill.id}/revisions`}>
          Revisions
        </Button>
        <Button variant="outlined" component={Link} to={`/drills/${drill.id}/ladder`}>
          Ladder
        </Button>
      </ScreenHead>
      {restored && (
        <Notice
          action={
            <Button
              variant="outlined"
              onClick={() => {
                editor.current?.replaceAll(saved);
                dropDraft(drill.id);
                setRestored(false);
              }}
            >
              Back to the saved text
            </Button>
          }
        >
          This is what you typed last time and did not save.
        </Notice>
      )}
      {trouble && <Notice tone="trouble">{trouble}</Notice>}
      {result && "message" in result && <Notice tone="trouble">{result.message}</Notice>}
      {result?.kind === "gone" && (
        <Notice tone="trouble" action={<CopyButton id={drill.id} text={text} />}>
          This drill was deleted in another window. Your text is still here.
        </Notice>
      )}
      {result?.kind === "conflict" && fetcher.state === "idle" && (
        <ConflictView
          mine={text}
          theirs={result.theirs}
          onKeepMine={() => save(result.theirs.version)}
          onTakeTheirs={() => {
            editor.current?.replaceAll(result.theirs.text);
            save(result.theirs.version, result.theirs.text);
          }}
          copy={<CopyButton id={drill.id} text={text} />}
        />
      )}
      <Box
        sx={{
          flex: 1,
          display: "grid",
          gridTemplateColumns: {
            xs: "minmax(0,1fr)",
            md: "minmax(330px, 4fr) minmax(0, 5fr)",
            lg: "minmax(340px, 4fr) minmax(0, 5fr) minmax(260px, 3fr)",
          },
          borderTop: 1,
          borderColor: "hairline",
          minHeight: 0,
        }}
      >
        <Box
          component="section"
          aria-label="Score"
          sx={{ borderRight: { md: 1 }, borderColor: { md: "hairline" }, minWidth: 0, minHeight: 320 }}
        >
          <Suspense
            fallback={
              <Box component="pre" sx={{ p: 2, m: 0, fontFamily: "monospace", whiteSpace: "pre-wrap" }}>
                {text}
              </Box>
            }
          >
            <ClientOnly>
              <ScoreEditor
                ref={editor}
                text={text}
                findings={view?.findings ?? NO_FINDINGS}
                onChange={change}
                onCursor={setCursor}
              />
            </ClientOnly>
          </Suspense>
        </Box>
        <Box
          component="section"
          aria-label="Drawing"
          sx={{ minWidth: 0, px: 2, pb: 3, borderRight: { lg: 1 }, borderColor: { lg: "hairline" } }}
        >
          {drawn && drawn.exchanges.length > 0 ? (
            <ScoreDrawing view={drawn} cursor={drawnCursor} onPick={pick} />
          ) : (
            <EmptyDrawing />
          )}
        </Box>
        <Box
          component="section"
          aria-label="Findings"
          sx={{
            minWidth: 0,
            px: 2,
            py: 1.5,
            gridColumn: { md: "1 / -1", lg: "auto" },
            borderTop: { xs: 1, lg: 0 },
            borderColor: "hairline",
          }}
        >
          {view && (
            <Findings
              view={view}
              text={text}
              cursor={cursor}
              onPick={(from, to) => editor.current?.select(from, to)}
              onRepair={apply}
            />
          )}
        </Box>
      </Box>
    </>
  );
}

const NO_FINDINGS: ScoreView["findings"] = [];

/** Renders its child only in the browser: the editor measures the page. */
function ClientOnly({ children }: { children: React.ReactNode }) {
  const [here, setHere] = useState(false);
  useEffect(() => setHere(true), []);
  return here ? children : null;
}

function DrillLine({ view }: { view: ScoreView }) {
  const parts = useMemo(
    () => [
      view.kind,
      `${Math.round(view.tempo * 100)} % of full speed`,
      `${view.distance.toFixed(2)} m apart`,
      `load ${view.load.total.toFixed(1)}`,
      ...(view.closure ? [view.closure.closes ? "the cycle closes" : "the cycle does not close"] : []),
    ],
    [view],
  );
  return (
    <Box component="span" sx={{ display: "inline-flex", gap: 1.5, alignItems: "center", flexWrap: "wrap" }}>
      <VerdictRing verdict={view.verdict} word /> {parts.join(" · ")}
    </Box>
  );
}

function EmptyDrawing() {
  return (
    <Box sx={{ py: 6, color: "text.secondary", maxWidth: 380 }}>
      Write a first row of play on the left and it is drawn here. For example:
      <Box component="pre" sx={{ fontFamily: "monospace", color: "text.primary" }}>
        A jab -&gt; B slip out, cross
      </Box>
    </Box>
  );
}

function CopyButton({ id, text }: { id: string; text: string }) {
  const fetcher = useFetcher();
  return (
    <Button
      variant="outlined"
      onClick={() => {
        dropDraft(id);
        void fetcher.submit(
          { intent: "copy", id: crypto.randomUUID(), revisionId: crypto.randomUUID(), text },
          { method: "post" },
        );
      }}
    >
      Keep mine as a new drill
    </Button>
  );
}

/** Ctrl-S (Cmd-S) saves, wherever the focus is. */
function useSaveKey(save: () => void) {
  const latest = useRef(save);
  useEffect(() => {
    latest.current = save;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "s") {
        event.preventDefault();
        latest.current();
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
