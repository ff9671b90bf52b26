/** The middle of the desk: the same drill as lines, as a ring, on the floor, and as a target. */
import AddOutlined from "@mui/icons-material/AddOutlined";
import ZoomInOutlined from "@mui/icons-material/ZoomInOutlined";
import ZoomOutOutlined from "@mui/icons-material/ZoomOutOutlined";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import Stack from "@mui/material/Stack";
import { memo, useCallback, useMemo, useState, type KeyboardEvent, type RefObject, type ReactNode } from "react";
import type { ExchangeView, ScoreView } from "#core/formats/desk-view.ts";
import type { Measured } from "#core/people/measures.ts";
import { RingsDrawing } from "../drawing/ring-drawing.tsx";
import { exchangeAt, ScoreDrawing } from "../drawing/score-drawing.tsx";
import { later } from "../ui/later.tsx";
import { WordChoice } from "../ui/parts.tsx";
import { TOOL, UndoButtons } from "../ui/undo-buttons.tsx";
import { ask } from "../workers/client.ts";
import type { Rearrange } from "../workers/questions/checking.ts";
import type { EditorHandle } from "./score-editor.tsx";
import { SortableRow, SortableRows, type RowMoves } from "./sortable-rows.tsx";

const BodyStage = later(async () => (await import("./body-stage.tsx")).BodyStage);
const GameTables = later(async () => (await import("../drawing/game-tables.tsx")).GameTables);
const Builder = later(async () => (await import("./builder.tsx")).Builder);

export const VIEWS = ["lines", "ring", "floor", "target"] as const;
type ViewName = (typeof VIEWS)[number];
const NAMES: Record<ViewName, string> = { lines: "Lines", ring: "Ring", floor: "Floor", target: "Target" };
const ZOOMS = [0.5, 0.65, 0.8, 1, 1.25, 1.5, 2];

interface MiddleProps {
  readonly view: ScoreView | null;
  readonly text: string;
  readonly cursor: number | null;
  readonly people: readonly Measured[];
  readonly editor: RefObject<EditorHandle | null>;
}

export const Middle = memo(function Middle({ view, text, cursor, people, editor }: MiddleProps) {
  const [name, setName] = useState<ViewName>("lines");
  const [zoom, setZoom] = useState(1);
  const [building, setBuilding] = useState(false);
  const pick = useCallback(
    (e: ExchangeView, go: boolean) => editor.current?.[go ? "select" : "mark"](e.from, e.to),
    [editor],
  );
  const rearrange = useRearrange(editor);
  const moves = useMemo(
    (): RowMoves => ({
      onMove: (row, to) => rearrange({ kind: "move", row, to }),
      onNudge: (row, way) => rearrange({ kind: "nudge", row, way }),
    }),
    [rearrange],
  );
  const here = view ? (exchangeAt(view, cursor) ?? view.exchanges[0]) : undefined;
  // Two hundred rows are not gone through again for a key stroke that leaves the drawing as it is.
  const lines = useMemo(
    () =>
      view && (
        <SortableRows moves={moves}>
          <ScoreDrawing view={view} cursor={cursor} zoom={zoom} onPick={pick} RowFrame={SortableRow} />
        </SortableRows>
      ),
    [view, cursor, zoom, moves, pick],
  );
  const nudge = (event: KeyboardEvent) => {
    if (!event.altKey || (event.key !== "ArrowUp" && event.key !== "ArrowDown")) return;
    const key = (event.target as Element).getAttribute("data-crossing");
    const at = view?.exchanges.find((e) => e.key === key);
    if (!at) return;
    event.preventDefault();
    rearrange({ kind: "nudge", row: at.row, way: event.key === "ArrowUp" ? "up" : "down" });
  };
  return (
    <>
      <ViewBar name={name} onName={setName} editor={editor}>
        {name === "lines" && <Zoom zoom={zoom} onZoom={setZoom} />}
      </ViewBar>
      <Box onKeyDown={nudge} data-drawing={name}>
        {view && view.exchanges.length + view.games.length > 0 ? (
          <>
            {name === "lines" && lines}
            {name === "lines" && view.games.length > 0 && <GameTables games={view.games} />}
            {name === "ring" && (
              <RingsDrawing view={view} picked={exchangeAt(view, cursor)?.key ?? null} onPick={pick} />
            )}
            {(name === "floor" || name === "target") && here && (
              <BodyStage
                kind={name}
                text={text}
                row={here.row}
                at={here.from}
                tempo={view.tempo}
                people={people}
                onPick={(from, to) => editor.current?.mark(from, to)}
              />
            )}
          </>
        ) : (
          !building && <EmptyDrawing />
        )}
      </Box>
      {name === "lines" &&
        (building ? (
          <Builder
            text={text}
            onAdd={(line) => rearrange({ kind: "add", line, after: null })}
            onClose={() => setBuilding(false)}
          />
        ) : (
          <AddRow disabled={!view} onClick={() => setBuilding(true)} />
        ))}
    </>
  );
});

const AddRow = (props: { readonly disabled: boolean; readonly onClick: () => void }) => (
  <Button variant="outlined" startIcon={<AddOutlined />} sx={{ mt: 1.5 }} {...props}>
    Add a row
  </Button>
);

interface ViewBarProps extends Pick<MiddleProps, "editor"> {
  readonly name: ViewName;
  readonly onName: (name: ViewName) => void;
  readonly children: ReactNode;
}

/** How the drill is shown, and going back and forth in what was done. */
const ViewBar = ({ name, onName, editor, children }: ViewBarProps) => (
  <Stack
    direction="row"
    sx={{
      flexWrap: "wrap",
      alignItems: "center",
      columnGap: 0,
      borderBottom: 1,
      borderColor: "hairline",
      position: { md: "sticky" },
      top: 0,
      bgcolor: "background.default",
      zIndex: 1,
    }}
  >
    <WordChoice
      label="How the drill is shown"
      options={VIEWS.map((value) => ({ value, label: NAMES[value] }))}
      value={name}
      onChange={onName}
    />
    <Box sx={{ flex: 1 }} />
    {children}
    <UndoButtons undo={() => editor.current?.undo()} redo={() => editor.current?.redo()} />
  </Stack>
);

/** Moves rows about in the text as it is when it is asked for; where somebody typed on meanwhile nothing is moved. */
function useRearrange(editor: MiddleProps["editor"]) {
  return useCallback(
    (what: Rearrange) => {
      const text = editor.current?.text();
      if (text === undefined) return;
      void ask("rearrange", { text, what }).then(
        (edit) => {
          if (edit && editor.current?.text() === text) editor.current.apply([edit]);
        },
        () => undefined,
      );
    },
    [editor],
  );
}

/** How large the drawing is: a step smaller or larger, or back to full size. */
function Zoom({ zoom, onZoom }: { zoom: number; onZoom: (zoom: number) => void }) {
  const scale = (way: 1 | -1) => {
    const at = ZOOMS.indexOf(zoom) + way;
    if (ZOOMS[at] !== undefined) onZoom(ZOOMS[at]);
  };
  return (
    <>
      <IconButton aria-label="Smaller" onClick={() => scale(-1)} disabled={zoom === ZOOMS[0]} sx={TOOL}>
        <ZoomOutOutlined />
      </IconButton>
      <Button
        variant="text"
        color="inherit"
        aria-label={`Size ${Math.round(zoom * 100)}%, back to 100%`}
        onClick={() => onZoom(1)}
        sx={{ minWidth: 56, px: 0 }}
      >
        {Math.round(zoom * 100)}%
      </Button>
      <IconButton aria-label="Larger" onClick={() => scale(1)} disabled={zoom === ZOOMS.at(-1)} sx={TOOL}>
        <ZoomInOutlined />
      </IconButton>
    </>
  );
}

function EmptyDrawing() {
  return (
    <Box sx={{ py: 5, color: "text.secondary", maxWidth: 400 }}>
      Write a first row of play on the left and it is drawn here. For example:
      <Box component="pre" sx={{ fontFamily: "monospace", color: "text.primary" }}>
        A jab -&gt; B slip out, cross
      </Box>
      Or build it without typing: choose a feed, then one of the answers that work.
    </Box>
  );
}
