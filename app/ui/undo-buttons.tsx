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

export const UndoButtons = ({ undo, redo }: UndoButtonsProps) =>
  (
    [
      ["Undo", "Ctrl-Z", undo, UndoOutlined],
      ["Redo", "Ctrl-Y", redo, RedoOutlined],
    ] as const
  ).map(([label, keys, act, Icon]) => (
    <Tooltip key={label} title={`${label} (${keys})`}>
      {/* A disabled button tells a tooltip nothing. */}
      <span>
        <IconButton aria-label={label} onClick={() => act?.()} disabled={!act} sx={TOOL}>
          <Icon />
        </IconButton>
      </span>
    </Tooltip>
  ));
