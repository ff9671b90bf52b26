/** Rows of the drawing that can be dragged to another place, by mouse, touch or keyboard. */
import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from "@dnd-kit/core";
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import DragIndicator from "@mui/icons-material/DragIndicator";
import { styled } from "@mui/material/styles";
import { useMemo, type ReactNode } from "react";
import type { RowFrameProps } from "../drawing/score-drawing.tsx";

const Handle = styled("button")(({ theme }) => ({
  flex: "none",
  position: "sticky",
  left: 0,
  zIndex: 1,
  width: 28,
  height: 44,
  display: "grid",
  placeItems: "center",
  border: 0,
  background: "none",
  color: theme.vars?.palette.text.secondary,
  cursor: "grab",
  touchAction: "none",
  borderRadius: 6,
  "& svg": { fontSize: 20 },
}));

interface SortableRowsProps {
  readonly rows: readonly number[];
  /** Called with the row that was moved and the row whose place it takes. */
  readonly onMove: (row: number, to: number) => void;
  readonly children: ReactNode;
}

export function SortableRows({ rows, onMove, children }: SortableRowsProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = useMemo(() => [...new Set(rows)].map((row) => `row ${row}`), [rows]);
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) => {
        if (over && over.id !== active.id) onMove(rowOf(active.id), rowOf(over.id));
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
  );
}

const rowOf = (id: string | number): number => Number(String(id).slice(4));

/** The frame of one row inside `SortableRows`. */
export function SortableRow({ row, style, children }: RowFrameProps) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: `row ${row}`,
  });
  return (
    <li
      ref={setNodeRef}
      style={{
        ...style,
        transform: CSS.Translate.toString(transform),
        transition,
        ...(isDragging ? { position: "relative", zIndex: 2, opacity: 0.75 } : {}),
      }}
    >
      <div style={{ display: "flex", alignItems: "center" }}>
        <Handle
          type="button"
          data-no-pan
          ref={setActivatorNodeRef}
          {...attributes}
          {...listeners}
          aria-label={`Move row ${row + 1}: space, arrow keys, space`}
          title="Drag to another place"
        >
          <DragIndicator />
        </Handle>
        <div style={{ flex: "1 0 auto" }}>{children}</div>
      </div>
    </li>
  );
}
