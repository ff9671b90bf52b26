/** One list that asks of whom nobody has said whether they are of age: until somebody does, they have no contact. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { useFetcher } from "react-router";
import type { action } from "../routes/people.tsx";
import { Notice } from "../ui/parts.tsx";
import { Row, Rows } from "../ui/rows.tsx";

interface OfAgeProps {
  readonly unsaid: readonly { readonly id: string; readonly name: string }[];
}

export function OfAge({ unsaid }: OfAgeProps) {
  const fetcher = useFetcher<typeof action>();
  const [open, setOpen] = useState(false);
  const say = (intent: "of age" | "minor", ids: readonly string[]) =>
    void fetcher.submit({ intent, ids: ids.join(",") }, { method: "post" });
  const busy = fetcher.state !== "idle";
  const count = unsaid.length === 1 ? "1 person" : `${unsaid.length} people`;
  return (
    <>
      <Notice
        tone="trouble"
        action={
          <Button variant="outlined" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? "Hide the list" : "Say it"}
          </Button>
        }
      >
        Of age? Nobody has said so of {count}. Until then they work without contact, and with no minor.
      </Notice>
      {open && (
        <Box component="section" aria-label="Of age?" sx={{ px: { xs: 2, sm: 3 }, pb: 2, maxWidth: 640 }}>
          <Rows aria-label="Of age?">
            {unsaid.map(({ id, name }) => (
              <Row key={id} sx={{ display: "flex", gap: 1, alignItems: "center", py: 0.5 }}>
                <Box sx={{ flex: 1 }}>{name}</Box>
                <Button size="small" variant="outlined" disabled={busy} onClick={() => say("of age", [id])}>
                  Of age
                </Button>
                <Button size="small" variant="outlined" disabled={busy} onClick={() => say("minor", [id])}>
                  Minor
                </Button>
              </Row>
            ))}
          </Rows>
          {unsaid.length > 1 && (
            <Button
              sx={{ mt: 1 }}
              disabled={busy}
              onClick={() =>
                say(
                  "of age",
                  unsaid.map(({ id }) => id),
                )
              }
            >
              All {unsaid.length} are of age
            </Button>
          )}
        </Box>
      )}
    </>
  );
}
