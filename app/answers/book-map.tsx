/** The answer map: feeds down, answers across, a ring in each cell. */
import Box from "@mui/material/Box";
import { styled } from "@mui/material/styles";
import { memo, useRef, type KeyboardEvent, type MouseEvent } from "react";
import { VERDICT_WORDS } from "#core/base/verdict-words.ts";
import type { CellCode } from "#core/answers/book.ts";
import type { CellView, MapView, RowView } from "./book-view.ts";

export interface Place {
  readonly row: number;
  readonly column: number;
}
interface MapProps {
  readonly map: MapView;
  readonly at: Place | null;
  /** Called on the way with arrow keys and mouse. */
  readonly onLook: (place: Place) => void;
  /** Called with Enter and a click. */
  readonly onPick: (place: Place) => void;
}

/** Side of a cell, px: the smallest target that a finger may be asked to hit. */
const CELL = 26;
const NAMES = 176;
const HEAD = 152;

const WORDS: Record<CellCode, string> = {
  v: "sound",
  d: VERDICT_WORDS.asDrill,
  r: "risky",
  x: "broken",
  " ": "cannot be done",
};
/** What holds as a drill has the half ring of a risk: nobody stands bare-handed before a blade by choice. */
const CLASS: Record<CellCode, string> = { v: "v", d: "r", r: "r", x: "x", " ": "n" };

/** The ring of a verdict by borders: a map of thousands of cells is drawn without a picture in each. */
const Table = styled("table")(({ theme }) => {
  const c = (theme.vars ?? theme).palette;
  return {
    borderCollapse: "collapse",
    tableLayout: "fixed",
    width: "max-content",
    "& thead th": {
      position: "sticky",
      top: 0,
      zIndex: 2,
      height: HEAD,
      width: CELL,
      padding: 0,
      background: c.background.default,
      verticalAlign: "bottom",
      fontWeight: 500,
    },
    "& thead th span": {
      writingMode: "vertical-rl",
      transform: "rotate(180deg)",
      whiteSpace: "nowrap",
      fontSize: "0.94rem",
      lineHeight: `${CELL}px`,
      paddingTop: 6,
      maxHeight: HEAD,
      overflow: "hidden",
    },
    "& tbody th": {
      position: "sticky",
      left: 0,
      zIndex: 1,
      width: NAMES,
      minWidth: NAMES,
      maxWidth: NAMES,
      background: c.background.default,
      textAlign: "right",
      fontWeight: 500,
      paddingRight: 10,
      whiteSpace: "nowrap",
      overflow: "hidden",
      textOverflow: "ellipsis",
      fontSize: "0.94rem",
    },
    "& td": { position: "relative", width: CELL, height: CELL, padding: 0, cursor: "pointer" },
    "& tr:hover td, & tr:hover th": { background: c.background.paper },
    "& tr.starts > *": { borderTop: `2px solid ${c.hairline}` },
    "& td::before": { content: '""', position: "absolute", borderRadius: "50%" },
    "& td.v::before": { inset: 4, border: `3px solid ${c.verdict.valid}` },
    "& td.r::before": {
      inset: 5,
      border: `3px solid ${c.verdict.risky}`,
      borderRightColor: "transparent",
      borderBottomColor: "transparent",
    },
    "& td.x::before": { inset: 9, border: `2px dotted ${c.verdict.invalid}`, opacity: 0.8 },
    // Training is a dot inside the sign of the verdict, in its colour: what does not hold never looks well because of it.
    "& td.lately::after, & td.long::after": {
      content: '""',
      position: "absolute",
      inset: 9,
      borderRadius: "50%",
      background: c.verdict.valid,
    },
    "& td.r.lately::after, & td.r.long::after": { background: c.verdict.risky },
    "& td.x.lately::before, & td.x.long::before": {
      inset: 3,
      border: `3px dashed ${c.verdict.invalid}`,
      opacity: 1,
    },
    "& td.x.lately::after, & td.x.long::after": { background: c.verdict.invalid },
    "& td.long::after": { clipPath: "inset(50% 0 0 0)" },
    // Where the system paints all borders: half a ring is clipped, and dots keep their colour.
    "@media (forced-colors: active)": {
      "& td.r::before": { clipPath: "polygon(0 0, 100% 0, 0 100%)" },
      "& td.lately::after, & td.long::after": { forcedColorAdjust: "none" },
    },
    "& td.at": { outline: `3px solid ${c.primary.main}`, outlineOffset: -2, borderRadius: 4 },
  };
});

const nameOf = ({ code, trained }: CellView, feed: string, answer: string): string =>
  `${feed}, ${answer}: ${WORDS[code]}${code === " " ? "" : trained !== "never" && code === "x" ? `, and trained ${trained}` : `, trained ${trained}`}`;
const cellId = (row: number, column: number): string => `cell-${row}-${column}`;

export function BookMap({ map, at, onLook, onPick }: MapProps) {
  const box = useRef<HTMLDivElement>(null);
  const placeOf = (event: MouseEvent): Place | null => {
    const cell = (event.target as Element).closest("td");
    return cell ? { row: Number(cell.dataset.row), column: Number(cell.dataset.column) } : null;
  };
  const go = (event: KeyboardEvent) => {
    const from = at ?? { row: 0, column: 0 };
    if (event.key === "Enter" || event.key === " ") {
      event.preventDefault();
      return onPick(from);
    }
    const step = STEPS[event.key];
    if (!step) return;
    event.preventDefault();
    const next = {
      row: clamp(from.row + step[0], map.rows.length),
      column: clamp(from.column + step[1], map.columns.length),
    };
    onLook(next);
    document.getElementById(cellId(next.row, next.column))?.scrollIntoView({ block: "nearest", inline: "nearest" });
  };
  return (
    <Box
      ref={box}
      role="grid"
      tabIndex={0}
      aria-label="Feeds down, answers across. Arrow keys go from pair to pair, Enter opens one."
      aria-rowcount={map.rows.length + 1}
      aria-colcount={map.columns.length + 1}
      aria-activedescendant={at ? cellId(at.row, at.column) : undefined}
      onKeyDown={go}
      sx={{
        overflow: "auto",
        maxHeight: "100%",
        scrollPadding: `${HEAD + CELL}px ${CELL}px ${CELL}px ${NAMES + CELL}px`,
        outlineOffset: -3,
      }}
    >
      <Table
        role="presentation"
        onMouseOver={(event) => {
          const place = placeOf(event);
          if (place) onLook(place);
        }}
        onClick={(event) => {
          const place = placeOf(event);
          if (place) onPick(place);
        }}
      >
        <thead role="rowgroup">
          <tr role="row">
            <td role="gridcell" aria-label="Feeds" style={{ width: NAMES, height: HEAD }} />
            {map.columns.map((column) => (
              <th key={column.index} role="columnheader" scope="col" title={column.text}>
                <span>{column.text}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody role="rowgroup">
          {map.rows.map((row, i) => (
            <Row key={row.index} row={row} place={i} columns={map.columns} at={at?.row === i ? at.column : null} />
          ))}
        </tbody>
      </Table>
    </Box>
  );
}

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
  PageUp: [-10, 0],
  PageDown: [10, 0],
  Home: [0, -10_000],
  End: [0, 10_000],
};
const clamp = (value: number, length: number): number => Math.max(0, Math.min(length - 1, value));

interface RowProps {
  readonly row: RowView;
  readonly place: number;
  readonly columns: MapView["columns"];
  readonly at: number | null;
}

/** One feed. Only the rows that the mark leaves and enters are drawn again. */
const Row = memo(function Row({ row, place, columns, at }: RowProps) {
  return (
    <tr role="row" className={row.starts ? "starts" : undefined}>
      <th role="rowheader" scope="row" title={row.feed.text}>
        {row.feed.text}
      </th>
      {row.cells.map((cell, c) => (
        <td
          key={columns[c]!.index}
          role="gridcell"
          id={cellId(place, c)}
          data-row={place}
          data-column={c}
          className={`${CLASS[cell.code]}${cell.trained === "never" ? "" : cell.trained === "lately" ? " lately" : " long"}${at === c ? " at" : ""}`}
          aria-label={nameOf(cell, row.feed.text, columns[c]!.text)}
        />
      ))}
    </tr>
  );
});
