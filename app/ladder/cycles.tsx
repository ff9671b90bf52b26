/** Cycles of n counts over chosen moves, found by search. */
import Box from "@mui/material/Box";
import Autocomplete from "@mui/material/Autocomplete";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { FLOW_COUNTS } from "#core/search/flow-options.ts";
import { TRADE } from "#core/trade/trade.ts";
import { Notice } from "../ui/parts.tsx";
import { WorkProgress } from "../ui/work-progress.tsx";
import { useLongWork } from "../workers/use-long-work.ts";
import { RungItem } from "./rung-item.tsx";
import { Rows } from "../ui/rows.tsx";

interface CyclesProps {
  readonly text: string;
  readonly revisionId: string;
  readonly others: readonly { readonly text: string }[];
}

export function Cycles({ text, revisionId, others }: CyclesProps) {
  const armed = /^A:.*\bholds\b.*\bsticks?\b/im.test(text);
  const usual = armed ? TRADE.strokes : TRADE.cycleMoves;
  const [moves, setMoves] = useState<readonly string[]>(usual);
  const [counts, setCounts] = useState(4);
  // What is added from here is no reason to search again.
  const [known] = useState(() => [text, ...others.map((o) => o.text)].filter((t) => /^kind:\s*flow/im.test(t)));
  const work = useLongWork("flow", { text, moves, counts, known });
  const found = work.result;
  const cycles = found?.ok ? found.cycles : [];
  const most = Math.max(1, ...cycles.map((c) => c.view.load.total));
  return (
    <>
      <Stack direction="row" spacing={1.5} sx={{ flexWrap: "wrap", px: { xs: 2, sm: 3 }, py: 2 }}>
        <TextField
          select
          label="Counts"
          value={counts}
          onChange={(event) => setCounts(Number(event.target.value))}
          sx={{ width: 100 }}
        >
          {FLOW_COUNTS.map((n) => (
            <MenuItem key={n} value={n}>
              {n}
            </MenuItem>
          ))}
        </TextField>
        <Autocomplete
          multiple
          freeSolo
          options={usual}
          value={[...moves]}
          onChange={(_, next) => setMoves(next)}
          renderInput={(params) => (
            <TextField {...params} label="Moves" helperText="Strokes that meet, or feeds and their answers" />
          )}
          sx={{ flex: "1 1 320px" }}
        />
      </Stack>
      <WorkProgress work={work} doing="Looking for cycles" not="No search was made." start="Search" />
      {found && !found.ok && <Notice tone="trouble">{found.message}</Notice>}
      {found?.ok && (
        <>
          <Box role="status" sx={{ px: { xs: 2, sm: 3 }, pb: 1, color: "text.secondary" }}>
            {cycles.length === 0
              ? `None of ${found.tried} closes. Choose more moves, or other counts.`
              : `${found.whole ? "All" : "By chance"} ${found.tried} tried; these ${cycles.length} close, even sides first.`}
          </Box>
          <Rows ordered aria-label="Loops" sx={{ px: { xs: 2, sm: 3 }, pb: 4 }}>
            {cycles.map((c) => (
              <RungItem
                key={c.text}
                rung={{ ...c, operator: "flow-search", parameters: { counts } }}
                name={`${Math.round(c.evenness * 100)}% even${c.fresh ? "" : ", known"}`}
                before={{ text, view: null }}
                most={most}
                revisionId={revisionId}
              />
            ))}
          </Rows>
        </>
      )}
    </>
  );
}
