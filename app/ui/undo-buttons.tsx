/** Takes back what was done last, and does it again; the keys are the usual ones. */
import RedoOutlined from "@mui/icons-material/RedoOutlined";
import UndoOutlined from "@mui/icons-material/UndoOutlined";
import IconButton from "@mui/material/IconButton";
import Tooltip from "@mui/material/Tooltip";

/** A small button of a tool row. */
export const TOOL = { width: 36, height: 40, p: 0, color: "text.secondary" } as const;

interface UndoButtonsProps {
  /** null: there is nothing to take back. */
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
}

export const UndoButtons = ({ undo, redo }: UndoButtonsProps) => (
  <>
    <Tooltip title="Undo (Ctrl-Z)">
      <span>
        <IconButton aria-label="Undo" onClick={() => undo?.()} disabled={!undo} sx={TOOL}>
          <UndoOutlined />
        </IconButton>
      </span>
    </Tooltip>
    <Tooltip title="Redo (Ctrl-Y)">
      <span>
        <IconButton aria-label="Redo" onClick={() => redo?.()} disabled={!redo} sx={TOOL}>
          <RedoOutlined />
        </IconButton>
      </span>
    </Tooltip>
  </>
);
