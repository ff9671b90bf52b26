/** Rows of the drawing that can be put at another place: dragged by their handle, or moved with the arrow keys on it. */
import type { RowIndex } from "#core/base/units.ts";
import { combine } from "@atlaskit/pragmatic-drag-and-drop/combine";
import { draggable, dropTargetForElements } from "@atlaskit/pragmatic-drag-and-drop/element/adapter";
import DragIndicator from "@mui/icons-material/DragIndicator";
import Box from "@mui/material/Box";
import { createContext, useContext, useEffect, useRef, type KeyboardEvent, type ReactNode } from "react";
import type { RowFrameProps } from "../drawing/score-drawing.tsx";

export interface RowMoves {
  /** A row takes the place of another. */
  readonly onMove: (row: RowIndex, to: RowIndex) => void;
  /** A row goes past its neighbour. */
  readonly onNudge: (row: RowIndex, way: "up" | "down") => void;
}
const Moves = createContext<RowMoves>({ onMove: () => undefined, onNudge: () => undefined });

/** `moves` must stay the same from draw to draw: rows are not drawn again for it. */
export function SortableRows({ moves, children }: { moves: RowMoves; children: ReactNode }) {
  return (
    <Moves value={moves}>
      <Box
        sx={{
          "& [data-handle]": {
            flex: "none",
            position: "sticky",
            left: 0,
            zIndex: 1,
            width: 28,
            height: 44,
            p: 0,
            border: 0,
            background: "none",
            color: "text.secondary",
            cursor: "grab",
            borderRadius: "6px",
          },
          "& [data-handle] svg": { fontSize: 20, display: "block", mx: "auto" },
          "& [data-dragged]": { opacity: 0.4 },
          "& [data-over]": { boxShadow: "inset 0 4px 0 var(--mui-palette-primary-main)" },
        }}
      >
        {children}
      </Box>
    </Moves>
  );
}

/** The frame of one row inside `SortableRows`; `fits`: no wider than the list, else as wide as what is in it. */
export function SortableRow({
  row,
  number,
  style,
  children,
  fits = false,
  what = "exchange",
}: RowFrameProps & {
  readonly fits?: boolean;
  /** What is moved, as it is said. */
  readonly what?: "exchange" | "block";
}) {
  const { onMove, onNudge } = useContext(Moves);
  const item = useRef<HTMLLIElement>(null);
  const handle = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    const element = item.current!;
    const mark = (name: string, on: boolean) => element.toggleAttribute(name, on);
    return combine(
      draggable({
        element,
        dragHandle: handle.current!,
        getInitialData: () => ({ row }),
        onDragStart: () => mark("data-dragged", true),
        onDrop: () => mark("data-dragged", false),
      }),
      dropTargetForElements({
        element,
        canDrop: ({ source }) => typeof source.data.row === "number" && source.data.row !== row,
        onDragEnter: () => mark("data-over", true),
        onDragLeave: () => mark("data-over", false),
        onDrop: ({ source }) => {
          mark("data-over", false);
          onMove(source.data.row as RowIndex, row);
        },
      }),
    );
  }, [row, onMove]);
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== "ArrowUp" && event.key !== "ArrowDown") return;
    event.preventDefault();
    event.stopPropagation();
    onNudge(row, event.key === "ArrowUp" ? "up" : "down");
  };
  return (
    <li ref={item} style={style}>
      <div style={{ display: "flex", alignItems: "center" }}>
        <button
          type="button"
          ref={handle}
          data-handle
          data-no-pan
          onKeyDown={onKeyDown}
          aria-label={`Move ${number === null ? `line ${row + 1}` : `${what} ${number}`} with the arrow keys`}
          title="Drag to another place, or move with the arrow keys"
        >
          <DragIndicator />
        </button>
        <div style={fits ? { flex: "1 1 0", minWidth: 0 } : { flex: "1 0 auto" }}>{children}</div>
      </div>
    </li>
  );
}
