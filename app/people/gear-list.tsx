/** How much gear the school owns. */
import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useFetcher } from "react-router";
import { GEAR_KINDS } from "#core/class/gear.ts";
import type { action } from "../routes/people.tsx";
import { Row, Rows } from "../ui/rows.tsx";

export function GearList({ gear }: { gear: readonly { readonly kind: string; readonly count: number }[] }) {
  const own = gear.filter((g) => !GEAR_KINDS.some((k) => k.id === g.kind)).map((g) => ({ id: g.kind, label: g.kind }));
  return (
    <Rows aria-label="Gear" sx={{ px: { xs: 2, sm: 3 }, py: 1, maxWidth: 520 }}>
      {[...GEAR_KINDS, ...own].map((kind) => (
        <Count key={kind.id} kind={kind} count={gear.find((g) => g.kind === kind.id)?.count ?? null} />
      ))}
    </Rows>
  );
}

function Count({ kind, count }: { kind: { readonly id: string; readonly label: string }; count: number | null }) {
  const fetcher = useFetcher<typeof action>();
  const [text, setText] = useState(String(count ?? 0));
  const trouble = fetcher.data && "message" in fetcher.data ? fetcher.data.message : null;
  const save = () => {
    if (text !== String(count ?? 0))
      void fetcher.submit(
        { intent: "gear", gear: kind.id, count: text, was: count === null ? "" : String(count) },
        { method: "post" },
      );
  };
  return (
    <Row sx={{ display: "flex", alignItems: "center", gap: 2, py: 0.5 }}>
      <Box sx={{ flex: 1 }}>{kind.label}</Box>
      <TextField
        value={text}
        error={trouble !== null}
        helperText={trouble}
        onChange={(event) => setText(event.target.value)}
        onBlur={save}
        onKeyDown={(event) => event.key === "Enter" && save()}
        slotProps={{ htmlInput: { "aria-label": kind.label, inputMode: "numeric" } }}
        sx={{ width: 110 }}
      />
    </Row>
  );
}
