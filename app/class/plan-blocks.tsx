/** The blocks of an evening: longer, shorter, earlier, later, another rung; locked ones stay when it is packed again. */
import { rowIndex } from "#core/base/units.ts";
import LockOutlined from "@mui/icons-material/LockOutlined";
import RemoveOutlined from "@mui/icons-material/RemoveOutlined";
import AddOutlined from "@mui/icons-material/AddOutlined";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import { rungName } from "#core/class/pair-rungs.ts";
import { workMinutes, type Block, type Clock } from "#core/class/timetable.ts";
import type { RungChoice } from "#server/views.ts";
import { SortableRow, SortableRows } from "../desk/sortable-rows.tsx";
import { useMemo, useRef } from "react";
import { AddBlocks } from "./add-blocks.tsx";
import { MoreMenu } from "../ui/more-menu.tsx";
import { Rows } from "../ui/rows.tsx";

interface BlocksProps {
  readonly blocks: readonly Block[];
  readonly rungs: readonly RungChoice[];
  readonly clock: Clock;
  /** Block at which the class is looked at. */
  readonly at: string | null;
  readonly onLook: (block: string) => void;
  readonly onChange: (blocks: readonly Block[]) => void;
}

const moved = (blocks: readonly Block[], from: number, to: number): Block[] => {
  const next = blocks.filter((_, i) => i !== from);
  next.splice(to, 0, blocks[from]!);
  return next;
};

/** Before the close, which stays the last. */
function beforeClose(blocks: readonly Block[], block: Block): Block[] {
  const end = blocks[blocks.length - 1]?.kind === "close" ? 1 : 0;
  return [...blocks.slice(0, blocks.length - end), block, ...blocks.slice(blocks.length - end)];
}

export function PlanBlocks({ blocks, rungs, clock, at, onLook, onChange }: BlocksProps) {
  const now = useRef(blocks);
  now.current = blocks;
  const change = useRef(onChange);
  change.current = onChange;
  const moves = useMemo(
    () => ({
      onMove: (from: number, to: number) => change.current(moved(now.current, from, to)),
      onNudge: (from: number, way: "up" | "down") => {
        const to = from + (way === "up" ? -1 : 1);
        if (to >= 0 && to < now.current.length) change.current(moved(now.current, from, to));
      },
    }),
    [],
  );
  const set = (i: number, part: Partial<Block>) => onChange(blocks.map((b, j) => (j === i ? { ...b, ...part } : b)));
  let start = 0;
  return (
    <>
      <SortableRows moves={moves}>
        <Rows ordered aria-label="Blocks">
          {blocks.map((block, i) => {
            const begins = start;
            start += block.minutes;
            return (
              <SortableRow key={block.id} row={rowIndex(i)} number={i + 1} style={{}} fits what="block">
                <PlanBlock
                  i={i}
                  block={block}
                  begins={begins}
                  looked={block.id === at}
                  rungs={rungs}
                  clock={clock}
                  onSet={(part) => set(i, part)}
                  onLook={() => onLook(block.id)}
                  onEarlier={i === 0 ? null : () => onChange(moved(blocks, i, i - 1))}
                  onLater={i === blocks.length - 1 ? null : () => onChange(moved(blocks, i, i + 1))}
                  onTakeOut={() => onChange(blocks.filter((_, j) => j !== i))}
                />
              </SortableRow>
            );
          })}
        </Rows>
      </SortableRows>
      <AddBlocks rungs={rungs} clock={clock} onAdd={(block) => onChange(beforeClose(blocks, block))} />
    </>
  );
}

interface BlockProps extends Pick<BlocksProps, "rungs" | "clock"> {
  /** Its place, from 0. */
  readonly i: number;
  readonly block: Block;
  /** Minutes from the start of the evening. */
  readonly begins: number;
  /** Its pairs are shown. */
  readonly looked: boolean;
  readonly onSet: (part: Partial<Block>) => void;
  readonly onLook: () => void;
  readonly onEarlier: (() => void) | null;
  readonly onLater: (() => void) | null;
  readonly onTakeOut: () => void;
}

/** One block: what is done, how long, and where it stands. */
function PlanBlock(props: BlockProps) {
  const { i, block, begins, looked, rungs, clock, onSet, onLook } = props;
  return (
    <Box
      sx={{
        flex: 1,
        minWidth: 0,
        borderTop: 1,
        borderColor: "hairline",
        py: 0.75,
        bgcolor: looked ? "background.paper" : undefined,
      }}
    >
      <Stack direction="row" spacing={1} sx={{ alignItems: "baseline" }}>
        <Box
          component="span"
          sx={{
            color: "text.secondary",
            fontVariantNumeric: "tabular-nums",
            width: 34,
            textAlign: "right",
          }}
        >
          {begins}′
        </Box>
        <BlockTitle i={i} block={block} rungs={rungs} onSet={onSet} />
        <BlockMoves {...props} />
      </Stack>
      <Stack direction="row" sx={{ alignItems: "center", flexWrap: "wrap", pl: 4.5 }}>
        <Step
          word={`${block.minutes} min`}
          less={`Block ${i + 1}: a minute less`}
          more={`Block ${i + 1}: a minute more`}
          onLess={block.minutes > 1 ? () => onSet({ minutes: block.minutes - 1 }) : null}
          onMore={() => onSet({ minutes: block.minutes + 1 })}
        />
        {block.rung !== null && (
          <Step
            word={block.rounds === 1 ? "1 round" : `${block.rounds} rounds`}
            less={`Block ${i + 1}: a round less`}
            more={`Block ${i + 1}: a round more`}
            onLess={
              block.rounds > 1
                ? () => onSet({ rounds: block.rounds - 1, minutes: workMinutes(block.rounds - 1, clock) })
                : null
            }
            onMore={() => onSet({ rounds: block.rounds + 1, minutes: workMinutes(block.rounds + 1, clock) })}
          />
        )}
        <Box sx={{ flex: 1 }} />
        {block.rung !== null && (
          <Button size="small" variant="text" aria-pressed={looked} onClick={onLook}>
            Pairs
          </Button>
        )}
      </Stack>
    </Box>
  );
}

/** Where a block is, whether it stays when the time is filled again, and taking it out. */
const BlockMoves = ({ i, block, onSet, onEarlier, onLater, onTakeOut }: BlockProps) => (
  <>
    {block.locked && <LockOutlined fontSize="small" titleAccess="stays when planned again" />}
    <MoreMenu about={`block ${i + 1}`}>
      <MenuItem disabled={onEarlier === null} onClick={() => onEarlier?.()}>
        Earlier
      </MenuItem>
      <MenuItem disabled={onLater === null} onClick={() => onLater?.()}>
        Later
      </MenuItem>
      <MenuItem onClick={() => onSet({ locked: !block.locked })}>
        {block.locked ? "May change when planned again" : "Keep it when planned again"}
      </MenuItem>
      <MenuItem onClick={onTakeOut}>Remove</MenuItem>
    </MoreMenu>
  </>
);

/** What is done in a block: words, or a rung. */
function BlockTitle({ i, block, rungs, onSet }: Pick<BlockProps, "i" | "block" | "rungs" | "onSet">) {
  return block.rung === null || block.stations ? (
    <TextField
      variant="standard"
      multiline
      defaultValue={block.title}
      key={block.title}
      onBlur={(event) => {
        const title = event.target.value.trim();
        if (title !== "" && title !== block.title) onSet({ title });
      }}
      slotProps={{ htmlInput: { "aria-label": `What is done in block ${i + 1}`, maxLength: 120 } }}
      sx={{ flex: 1, minWidth: 0 }}
    />
  ) : (
    <TextField
      select
      variant="standard"
      value={block.rung}
      onChange={(event) => {
        const rung = Number(event.target.value);
        onSet({ rung, title: rungs[rung]!.title });
      }}
      slotProps={{ htmlInput: { "aria-label": `Rung of block ${i + 1}` } }}
      sx={{ flex: 1, minWidth: 0 }}
    >
      {rungs.map((r, n) =>
        // What was worked on before another theme is no choice any more.
        r.past && n !== block.rung ? null : (
          <MenuItem key={r.revisionId} value={n}>
            {rungName(rungs, n)}
          </MenuItem>
        ),
      )}
    </TextField>
  );
}

function Step({
  word,
  less,
  more,
  onLess,
  onMore,
}: {
  word: string;
  less: string;
  more: string;
  onLess: (() => void) | null;
  onMore: () => void;
}) {
  return (
    <Stack direction="row" sx={{ alignItems: "center" }}>
      <IconButton size="small" aria-label={less} disabled={!onLess} onClick={() => onLess?.()}>
        <RemoveOutlined fontSize="small" />
      </IconButton>
      <Box sx={{ minWidth: 58, textAlign: "center", fontVariantNumeric: "tabular-nums" }}>{word}</Box>
      <IconButton size="small" aria-label={more} onClick={onMore}>
        <AddOutlined fontSize="small" />
      </IconButton>
    </Stack>
  );
}
