/** What an own move does: taken from moves it is like, then changed number by number. */
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState, type ReactNode } from "react";
import type { MoveData } from "#core/words/types.ts";
import type { MoveCard } from "../workers/words-work.ts";
import { leavesOf, takeFrom, withLeaf, type Leaf, type MoveBody } from "./own-move-form.ts";

/** A part of the form under its heading. */
export const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box component="fieldset" sx={{ border: 0, borderTop: 1, borderColor: "hairline", m: 0, p: 0, pt: 1.5, pb: 2.5 }}>
    <Box component="legend" sx={{ typography: "h2", p: 0, pr: 1.5 }}>
      {title}
    </Box>
    <Box sx={{ display: "grid", gridTemplateColumns: "repeat(auto-fill, minmax(190px, 1fr))", gap: 1.5, pt: 1 }}>
      {children}
    </Box>
  </Box>
);

interface BodyProps {
  readonly body: MoveBody;
  readonly cards: readonly MoveCard[];
  readonly onChange: (body: MoveBody) => void;
}

/** What the move does as a blow and as an answer: taken from a move it is like, number by number. */
export function OwnMoveBody({ body, cards, onChange }: BodyProps) {
  const set = (leaf: Leaf, value: number | string) => onChange(withLeaf(body, leaf.path, value));
  const leaves = leavesOf(body);
  const of = (key: string) => leaves.filter((l) => l.path[0] === key);
  const rest = leaves.filter((l) => l.path[0] !== "attack" && l.path[0] !== "answer");
  return (
    <>
      <Part title="As a blow">
        <Like what="attack" cards={cards} onTake={(from) => onChange(takeFrom(body, "attack", from))} />
        <Leaves leaves={of("attack")} onChange={set} none="It is no blow." />
      </Part>
      <Part title="As an answer">
        <Like what="answer" cards={cards} onTake={(from) => onChange(takeFrom(body, "answer", from))} />
        <Leaves leaves={of("answer")} onChange={set} none="It answers nothing by itself." />
      </Part>
      {rest.length > 0 && (
        <Part title="The rest">
          <Leaves leaves={rest} onChange={set} none="" />
        </Part>
      )}
    </>
  );
}

function Like({
  what,
  cards,
  onTake,
}: {
  what: "attack" | "answer";
  cards: readonly MoveCard[];
  onTake: (from: MoveData | null) => void;
}) {
  return (
    <Autocomplete
      options={cards.filter((c) => c.data[what])}
      getOptionLabel={(c) => c.shown}
      getOptionKey={(c) => c.id}
      groupBy={(c) => c.data.group}
      onChange={(_, card) => onTake(card?.data ?? null)}
      sx={{ gridColumn: "1 / -1" }}
      renderInput={(params) => (
        <TextField
          {...params}
          label={what === "attack" ? "Hits like…" : "Works like…"}
          helperText="Copies its figures; clearing it removes them."
        />
      )}
    />
  );
}

function Leaves({
  leaves,
  onChange,
  none,
}: {
  leaves: readonly Leaf[];
  onChange: (leaf: Leaf, value: number | string) => void;
  none: string;
}) {
  if (leaves.length === 0) return <Box sx={{ color: "text.secondary", gridColumn: "1 / -1" }}>{none}</Box>;
  return leaves.map((leaf) => <LeafField key={leaf.path.join(".")} leaf={leaf} onChange={onChange} />);
}

function LeafField({ leaf, onChange }: { leaf: Leaf; onChange: (leaf: Leaf, value: number | string) => void }) {
  const { label, value, options } = leaf;
  // What is typed stands in the field until it is a number again.
  const [typed, setTyped] = useState<string | null>(null);
  if (typeof value === "string")
    return (
      <TextField select label={label} value={value} onChange={(event) => onChange(leaf, event.target.value)}>
        {(options ?? [value]).map((o) => (
          <MenuItem key={o} value={o}>
            {o}
          </MenuItem>
        ))}
      </TextField>
    );
  const bad = typed !== null && !Number.isFinite(Number.parseFloat(typed));
  return (
    <TextField
      type="number"
      label={label}
      value={typed ?? value}
      error={bad}
      helperText={bad ? "A number, such as 0.2" : undefined}
      slotProps={{ htmlInput: { step: "any" } }}
      onChange={(event) => {
        setTyped(event.target.value);
        const next = Number.parseFloat(event.target.value);
        if (Number.isFinite(next)) onChange(leaf, next);
      }}
      onBlur={() => setTyped(null)}
    />
  );
}
