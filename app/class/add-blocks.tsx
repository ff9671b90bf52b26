/** What can be added to an evening: work, free play, a circuit, a game. */
import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import { useState } from "react";
import { GAMES, gameTitle } from "#core/class/games.ts";
import { circuit, freePlay, game, workMinutes, type Block, type Clock } from "#core/class/timetable.ts";
import type { RungChoice } from "#server/views.ts";

interface AddProps {
  readonly rungs: readonly RungChoice[];
  readonly clock: Clock;
  readonly onAdd: (block: Block) => void;
}

export function AddBlocks({ rungs, clock, onAdd }: AddProps) {
  const id = () => crypto.randomUUID();
  const work = (): Block => {
    const rung = Math.min(1, rungs.length - 1);
    const title = rungs[rung]?.title ?? "Work";
    return { id: id(), kind: "work", title, minutes: workMinutes(1, clock), rung, rounds: 1, locked: false };
  };
  return (
    <Stack direction="row" spacing={1} sx={{ py: 1, flexWrap: "wrap" }}>
      <Button size="small" variant="outlined" onClick={() => onAdd(work())}>
        Add work
      </Button>
      <Button size="small" variant="outlined" onClick={() => onAdd(freePlay(id()))}>
        Add free play
      </Button>
      {rungs.length > 1 && (
        <Button size="small" variant="outlined" onClick={() => onAdd(circuit([...rungs.keys()], clock, id()))}>
          Add a circuit
        </Button>
      )}
      <AddGame onAdd={(title) => onAdd(game(title, id()))} />
    </Stack>
  );
}

function AddGame({ onAdd }: { readonly onAdd: (title: string) => void }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button size="small" variant="outlined" aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        Add a game…
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {GAMES.map((one) => (
          <MenuItem
            key={one.id}
            dense
            onClick={() => {
              setAnchor(null);
              onAdd(gameTitle(one));
            }}
          >
            {one.name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
