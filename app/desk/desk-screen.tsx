import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import {
  lazy,
  Suspense,
  useCallback,
  useDeferredValue,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from "react";
import { Link, useFetcher } from "react-router";
import type { ScoreView } from "#core/formats/desk-view.ts";
import { problemsOf } from "#core/formats/finding-place.ts";
import type { Measured } from "#core/people/measures.ts";
import { VerdictRing } from "../ui/marks.tsx";
import { later } from "../ui/later.tsx";
import { Notice, ScreenHead, WordChoice } from "../ui/parts.tsx";
import { useTeaches } from "../ui/role.tsx";
import { NOT_ON_PAPER, UNSEEN } from "../ui/theme.ts";
import { ask } from "../workers/client.ts";
import { dropDraft } from "./drafts.ts";
import { DeskMenu } from "./desk-menu.tsx";
import { Findings } from "./findings.tsx";
import { Middle } from "./middle.tsx";
import type { EditorHandle } from "./score-editor.tsx";
import { useChecked } from "./use-checked.ts";
import { saveWords, useSaving, type SaveState } from "./use-saving.ts";

const ConflictView = later(async () => (await import("./conflict.tsx")).ConflictView);
const ScoreEditor = lazy(() => import("./score-editor.tsx"));

interface DeskDrill {
  readonly id: string;
  readonly title: string;
  readonly version: number;
}
interface DeskProps {
  readonly drill: DeskDrill;
  readonly text: string;
  /** What the server has made of the text; null where that is left to the page. */
  readonly first: ScoreView | null;
  readonly people: readonly Measured[];
}

/** A drill at the desk: its text as it is typed, checked and saved, and what the editor is told. */
function useDesk({ drill, text: saved, first }: DeskProps) {
  const { text, view, repairs, trouble, restored, change, settle } = useChecked(drill.id, saved, first);
  const teaches = useTeaches();
  const editor = useRef<EditorHandle>(null);
  const follow = useCallback((next: string) => editor.current?.replaceAll(next), []);
  const { base, state, dirty, save } = useSaving({
    id: drill.id,
    text,
    saved: { text: saved, version: drill.version },
    hold: restored || !teaches,
    onNewer: follow,
  });
  const keep = useCallback(() => (teaches ? save() : undefined), [teaches, save]);
  useSaveKey(keep);
  const apply = useCallback(
    (edits: readonly { from: number; to: number; insert: string }[]) => editor.current?.apply(edits),
    [],
  );
  const tidy = () => void ask("format", { text }).then((next) => editor.current?.replaceAll(next));
  const foundBack = () => {
    editor.current?.replaceAll(base.text);
    dropDraft(drill.id);
    settle();
  };
  const takeTheirs = (version: number, theirs: string) => {
    editor.current?.replaceAll(theirs);
    save(version, theirs);
  };
  const checked = { text, view, repairs, trouble, change };
  return { ...checked, restored, dirty, state, base, save, keep, apply, tidy, editor, foundBack, takeTheirs, teaches };
}

/** One drill: its text, the same drawn, and what the checker says. */
export function DeskScreen(props: DeskProps) {
  const { drill, people } = props;
  const desk = useDesk(props);
  const { text, view, repairs, dirty, editor, keep, save, state, teaches } = desk;
  const [cursor, setCursor] = useState<number | null>(null);
  const [part, setPart] = useState<PartName>("text");
  // Drawing yields to typing: the newest view is drawn when there is time.
  const drawn = useDeferredValue(view);
  const drawnCursor = useDeferredValue(cursor);
  const drawnText = useDeferredValue(text);
  const pick = useCallback(
    (from: number, to: number) => {
      setPart("text");
      editor.current?.select(from, to);
    },
    [editor],
  );
  const title = view?.title ?? drill.title;

  return (
    <>
      <ScreenHead title={title} lead={view ? <DrillLine view={view} /> : "Reading the drill…"}>
        <Box component="span" role="status" sx={{ color: "text.secondary", mr: 1 }}>
          {teaches ? saveWords(state, dirty, desk.base.version) : "Try what you like: it is kept on this device alone."}
        </Box>
        {teaches && dirty && (
          <Button variant="outlined" onClick={keep} disabled={state.kind === "saving"}>
            Save
          </Button>
        )}
        <DeskMenu id={drill.id} title={title} text={text} view={view} onFormat={desk.tidy} />
        <WaysOn id={drill.id} view={view} />
      </ScreenHead>
      {desk.restored && dirty && <FoundAgain onKeep={teaches ? keep : null} onBack={desk.foundBack} />}
      {desk.trouble && <Notice tone="trouble">{desk.trouble}</Notice>}
      <SaveTrouble
        id={drill.id}
        state={state}
        text={text}
        onKeepMine={(version) => save(version)}
        onTakeTheirs={desk.takeTheirs}
      />
      <PartTabs part={part} problems={view ? problemsOf(view.findings).length : 0} onPart={setPart} />
      <Box sx={PARTS}>
        <Box component="section" aria-label="Score" sx={{ ...SCORE_PART, ...onPhone(part === "text") }}>
          <LateEditor meanwhile={<PlainText text={text} />}>
            <ScoreEditor
              ref={editor}
              text={text}
              findings={view?.findings ?? NO_FINDINGS}
              repairs={repairs}
              onChange={desk.change}
              onCursor={setCursor}
            />
          </LateEditor>
        </Box>
        <Box component="section" aria-label="Drawing" sx={{ ...DRAWING_PART, ...onPhone(part === "drawing") }}>
          <Middle view={drawn} text={drawnText} cursor={drawnCursor} people={people} editor={editor} />
        </Box>
        <Box component="section" aria-label="Findings" sx={{ ...FINDINGS_PART, ...onPhone(part === "problems") }}>
          <Box role="status" sx={UNSEEN}>
            {drawn && judged(drawn)}
          </Box>
          {drawn && (
            <Findings
              view={drawn}
              text={drawnText}
              cursor={drawnCursor}
              {...{ repairs }}
              onPick={pick}
              onRepair={desk.apply}
            />
          )}
        </Box>
      </Box>
    </>
  );
}

/** The editor is fetched behind the page; until then the text is there to read. */
const LateEditor = ({ meanwhile, children }: { readonly meanwhile: ReactNode; readonly children: ReactNode }) => (
  <Suspense fallback={meanwhile}>
    <ClientOnly meanwhile={meanwhile}>{children}</ClientOnly>
  </Suspense>
);

/** The next steps with a drill. A broken one needs mending first: the findings say how. */
const WaysOn = ({ id, view }: { readonly id: string; readonly view: ScoreView | null }) => (
  <>
    <Button variant="outlined" component={Link} to={`/drills/${id}/calls`}>
      Calls
    </Button>
    <Button
      variant={view === null || view.verdict === "broken" ? "outlined" : "contained"}
      component={Link}
      to={`/drills/${id}/ladder`}
    >
      Make a ladder
    </Button>
  </>
);

type PartName = "text" | "drawing" | "problems";

/** On a phone one part of the desk is there at a time. */
const onPhone = (isShown: boolean) => ({ display: { xs: isShown ? "block" : "none", md: "block" } });

/** Chooses the part of the desk that a phone shows. */
function PartTabs({
  part,
  problems,
  onPart,
}: {
  readonly part: PartName;
  readonly problems: number;
  readonly onPart: (part: PartName) => void;
}) {
  const options = [
    { value: "text", label: "Text" },
    { value: "drawing", label: "Drawing" },
    { value: "problems", label: problems === 0 ? "Problems" : `Problems (${problems})` },
  ] as const;
  return (
    <Box sx={{ display: { xs: "block", md: "none" }, px: 2, borderTop: 1, borderColor: "hairline", ...NOT_ON_PAPER }}>
      <WordChoice label="Part of the desk" options={options} value={part} onChange={onPart} />
    </Box>
  );
}

/** Text typed last time and not saved: keep it, or go back. */
const FoundAgain = ({ onKeep, onBack }: { onKeep: (() => void) | null; onBack: () => void }) => (
  <Notice
    action={
      <>
        {onKeep && (
          <Button variant="outlined" onClick={onKeep}>
            Keep it
          </Button>
        )}
        <Button variant="outlined" onClick={onBack}>
          Back to the saved text
        </Button>
      </>
    }
  >
    This is what you typed last time and did not save.
  </Notice>
);

const PARTS = {
  flex: 1,
  display: "grid",
  gridTemplateColumns: {
    xs: "minmax(0,1fr)",
    md: "minmax(300px, 4fr) minmax(0, 5fr)",
    lg: "minmax(340px, 4fr) minmax(0, 5fr) minmax(260px, 3fr)",
  },
  // On a tablet the findings are below the text, beside the drawing: both are seen at once.
  gridTemplateAreas: { md: '"score drawing" "findings drawing"', lg: '"score drawing findings"' },
  gridTemplateRows: { md: "auto 1fr", lg: "auto" },
  borderTop: 1,
  borderColor: "hairline",
  minHeight: 0,
} as const;

const SCORE_PART = {
  borderRight: { lg: 1 },
  borderColor: { lg: "hairline" },
  minWidth: 0,
  minHeight: 320,
  // The text stays beside the row of the drawing that is looked at.
  gridArea: { md: "score" },
  position: { lg: "sticky" },
  top: 0,
  alignSelf: "start",
  // The list of offers while typing hangs over the drawing.
  zIndex: { md: 2 },
  height: { xs: "62vh", md: "52dvh", lg: "calc(100dvh - 1px)" },
} as const;

const DRAWING_PART = {
  gridArea: { md: "drawing" },
  minWidth: 0,
  px: 2,
  pb: 3,
  borderLeft: { md: 1, lg: 0 },
  borderRight: { lg: 1 },
  borderColor: { md: "hairline", lg: "hairline" },
} as const;

const FINDINGS_PART = {
  minWidth: 0,
  px: 2,
  py: 1.5,
  gridArea: { md: "findings" },
  borderTop: { xs: 1, lg: 0 },
  borderColor: { xs: "hairline" },
  position: { lg: "sticky" },
  top: 0,
  alignSelf: "start",
  maxHeight: { lg: "100dvh" },
  overflow: { lg: "auto" },
} as const;

const NO_FINDINGS: ScoreView["findings"] = [];

/** The text before the editor is there: it can be read at once. */
const PlainText = ({ text }: { text: string }) => (
  <Box component="pre" sx={{ p: 2, m: 0, fontFamily: "monospace", whiteSpace: "pre-wrap" }}>
    {text}
  </Box>
);

/** Renders its child only in the browser: the editor measures the page. */
function ClientOnly({ meanwhile, children }: { meanwhile: ReactNode; children: ReactNode }) {
  const [here, setHere] = useState(false);
  useEffect(() => setHere(true), []);
  return here ? children : meanwhile;
}

function DrillLine({ view }: { view: ScoreView }) {
  const parts = useMemo(
    () => [
      view.kind,
      `${Math.round(view.tempo * 100)}% speed`,
      `${view.distance.toFixed(2)} m apart`,
      `load ${view.load.total.toFixed(1)}`,
      ...(view.closure ? [view.closure.closes ? "the cycle closes" : "the cycle does not close"] : []),
    ],
    [view],
  );
  return (
    <Box component="span" sx={{ display: "inline-flex", gap: 1.5, alignItems: "center", flexWrap: "wrap" }}>
      <VerdictRing verdict={view.shown} word /> {parts.join(" · ")}
    </Box>
  );
}

interface TroubleProps {
  readonly id: string;
  readonly state: SaveState;
  readonly text: string;
  readonly onKeepMine: (version: number) => void;
  readonly onTakeTheirs: (version: number, text: string) => void;
}

/** Why the text could not be saved, and the ways on. */
function SaveTrouble({ id, state, text, onKeepMine, onTakeTheirs }: TroubleProps) {
  if (state.kind === "failed") return <Notice tone="trouble">{state.message}</Notice>;
  if (state.kind === "gone")
    return (
      <Notice tone="trouble" action={<CopyButton id={id} text={text} />}>
        This drill was deleted in another window. Your text is still here.
      </Notice>
    );
  if (state.kind !== "conflict") return null;
  const { theirs } = state;
  return (
    <ConflictView
      mine={text}
      theirs={theirs}
      onKeepMine={() => onKeepMine(theirs.version)}
      onTakeTheirs={() => onTakeTheirs(theirs.version, theirs.text)}
      copy={<CopyButton id={id} text={text} />}
    />
  );
}

function CopyButton({ id, text }: { id: string; text: string }) {
  const fetcher = useFetcher();
  return (
    <Button
      variant="outlined"
      onClick={() => {
        dropDraft(id);
        void fetcher.submit({ id: crypto.randomUUID(), revisionId: crypto.randomUUID(), text }, { method: "post" });
      }}
    >
      Keep mine as a new drill
    </Button>
  );
}

/** Ctrl-S (Cmd-S) saves, wherever the focus is. */
function useSaveKey(save: () => void) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "s") {
        event.preventDefault();
        save();
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [save]);
}

/** What the checker makes of the drill now, as it is said to who does not see it. */
function judged({ verdict, findings }: ScoreView): string {
  const count = (severity: "error" | "risk", word: string) => {
    const found = findings.filter((f) => f.severity === severity && !f.shownWrong).length;
    return `${found} ${found === 1 ? word : `${word}s`}`;
  };
  return `The drill is ${verdict}: ${count("error", "error")}, ${count("risk", "risk")}.`;
}
