/** The shortest way from the end of this drill to the start of another one. */
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Notice } from "../ui/parts.tsx";
import { WorkProgress } from "../ui/work-progress.tsx";
import { useLongWork } from "../workers/use-long-work.ts";
import { RungItem } from "./rung-item.tsx";
import { Rows } from "../ui/rows.tsx";

interface Other {
  readonly id: string;
  readonly title: string;
  readonly text: string;
}
interface JoinProps {
  readonly text: string;
  readonly revisionId: string;
  readonly others: readonly Other[];
}

export function Join({ text, revisionId, others }: JoinProps) {
  const [other, setOther] = useState<Other | null>(null);
  const work = useLongWork("bridge", other && { text, other: other.text });
  const found = other ? work.result : null;
  const ways = found?.ok ? found.ways : [];
  return (
    <>
      <Box sx={{ px: { xs: 2, sm: 3 }, py: 2, maxWidth: 520 }}>
        <Autocomplete
          options={others}
          getOptionLabel={(o) => o.title}
          getOptionKey={(o) => o.id}
          value={other}
          onChange={(_, next) => setOther(next)}
          renderInput={(params) => (
            <TextField {...params} label="Then" placeholder="Which drill comes after this one?" />
          )}
        />
      </Box>
      {!other && (
        <Box sx={{ px: { xs: 2, sm: 3 }, color: "text.secondary" }}>
          Choose a drill: the shortest run of steps and changes is looked for that brings both from the end of this one
          to where the other begins.
        </Box>
      )}
      {other && <WorkProgress work={work} doing="Looking for a way" not="No search was made." start="Search" />}
      {found && !found.ok && <Notice tone="trouble">{found.message}</Notice>}
      {other && (
        <Rows ordered aria-label="Ways" sx={{ px: { xs: 2, sm: 3 }, pb: 4 }}>
          {ways.map((w) => (
            <RungItem
              key={w.text}
              rung={{ ...w, operator: "bridge", parameters: {} }}
              name={w.rows === 0 ? "Straight on" : `${w.rows} ${w.rows === 1 ? "move" : "moves"} between`}
              before={{ text, view: null }}
              most={Math.max(1, ...ways.map((x) => x.view.load.total))}
              revisionId={revisionId}
            />
          ))}
        </Rows>
      )}
    </>
  );
}
