/** What is wished of a ladder: rungs, goal, changes and tools that may be used. */
import { keysOf } from "#core/base/keys.ts";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { GOALS, type GoalId } from "#core/ladder/ladder-options.ts";
import { OPERATOR_NAMES, OPERATORS, type OperatorId } from "#core/vary/operator-names.ts";
import { TOOL_IDS, type ToolId } from "#core/vary/tool-names.ts";

export interface Wishes {
  readonly rungs: number;
  readonly goal: GoalId;
  readonly seed: number;
  readonly operators: readonly OperatorId[];
  readonly tools: readonly ToolId[];
}
const RUNGS = [3, 4, 5, 6, 7, 8, 10, 12, 14, 16];
/** A tool is offered where there is enough of it for one pair. */
const NEEDS: Readonly<Record<ToolId, readonly [string, number] | null>> = {
  "empty hand": null,
  stick: ["stick", 2],
  "stick against hands": ["stick", 1],
  "two sticks": ["stick", 4],
  "training blade": ["training knife", 1],
  pads: ["mitts", 1],
};

/** The tools that the school's gear allows. */
export const toolsFrom = (gear: readonly { readonly kind: string; readonly count: number }[]): ToolId[] =>
  TOOL_IDS.filter((id) => {
    const need = NEEDS[id];
    return !need || (gear.find((g) => g.kind === need[0])?.count ?? 0) >= need[1];
  });

export function WishBar({ wishes, onChange }: { wishes: Wishes; onChange: (part: Partial<Wishes>) => void }) {
  return (
    <Stack direction="row" spacing={1.5} sx={{ flexWrap: "wrap", px: { xs: 2, sm: 3 }, py: 2, alignItems: "end" }}>
      <TextField
        select
        label="Rungs"
        value={wishes.rungs}
        onChange={(event) => onChange({ rungs: Number(event.target.value) })}
        sx={{ width: 90 }}
      >
        {RUNGS.map((n) => (
          <MenuItem key={n} value={n}>
            {n}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label="Up to"
        value={wishes.goal}
        onChange={(event) => onChange({ goal: event.target.value as GoalId })}
        sx={{ width: 220 }}
      >
        {keysOf(GOALS).map((id) => (
          <MenuItem key={id} value={id}>
            {GOALS[id].words}
          </MenuItem>
        ))}
      </TextField>
      <Button variant="outlined" onClick={() => onChange({ seed: wishes.seed + 1 })}>
        Shuffle
      </Button>
      <Allowed
        word="Allowed changes"
        all={OPERATORS}
        names={OPERATOR_NAMES}
        chosen={wishes.operators}
        onChange={(operators) => onChange({ operators })}
      />
      {wishes.operators.includes("other-tool") && (
        <Allowed
          word="Tools"
          all={TOOL_IDS}
          names={Object.fromEntries(TOOL_IDS.map((id) => [id, id]))}
          chosen={wishes.tools}
          onChange={(tools) => onChange({ tools })}
        />
      )}
    </Stack>
  );
}

function Allowed<T extends string>({
  word,
  all,
  names,
  chosen,
  onChange,
}: {
  word: string;
  all: readonly T[];
  names: Readonly<Record<string, string>>;
  chosen: readonly T[];
  onChange: (chosen: readonly T[]) => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button variant="outlined" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? `Hide: ${word.toLowerCase()}` : `${word} (${chosen.length} of ${all.length})`}
      </Button>
      {open && (
        <Box role="group" aria-label={word} sx={{ width: "100%", columns: "230px", columnGap: 2, order: 1 }}>
          {all.map((id) => (
            <FormControlLabel
              key={id}
              sx={{ display: "flex", m: 0 }}
              label={names[id]}
              control={
                <Checkbox
                  size="small"
                  checked={chosen.includes(id)}
                  onChange={(event) =>
                    onChange(event.target.checked ? [...chosen, id] : chosen.filter((o) => o !== id))
                  }
                />
              }
            />
          ))}
        </Box>
      )}
    </>
  );
}
