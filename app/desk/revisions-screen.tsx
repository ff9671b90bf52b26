import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Form, Link } from "react-router";
import { VerdictRing } from "../ui/marks.tsx";
import { ScreenHead } from "../ui/parts.tsx";
import { TextDiff } from "./conflict.tsx";

export interface RevisionRow {
  readonly number: number;
  readonly text: string;
  readonly verdict: "sound" | "risky" | "broken";
  readonly author: string;
  readonly at: string;
}

/** All revisions of a drill: what changed in each, and a way back to any. */
export function RevisionsScreen({
  id,
  title,
  revisions,
}: {
  id: string;
  title: string;
  revisions: readonly RevisionRow[];
}) {
  const [open, setOpen] = useState(revisions[0]?.number ?? 1);
  return (
    <>
      <ScreenHead
        title={`Revisions of ${title}`}
        lead="Nothing is ever overwritten: going back to an old text makes it the newest revision."
      >
        <Button variant="outlined" component={Link} to={`/drills/${id}`}>
          Back to the desk
        </Button>
      </ScreenHead>
      <Box component="ol" sx={{ listStyle: "none", m: 0, px: { xs: 2, sm: 3 }, pb: 4 }}>
        {revisions.map((r, i) => (
          <Box component="li" key={r.number} sx={{ borderTop: 1, borderColor: "hairline", py: 1.5 }}>
            <Box sx={{ display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap" }}>
              <VerdictRing verdict={r.verdict} />
              <Box component="h2" sx={{ typography: "h3", m: 0 }}>
                Revision {r.number}
              </Box>
              <Box sx={{ color: "text.secondary", flex: 1 }}>
                {r.author}, {r.at.slice(0, 16).replace("T", " ")}
              </Box>
              <Button
                variant="outlined"
                size="small"
                aria-expanded={open === r.number}
                onClick={() => setOpen(open === r.number ? -1 : r.number)}
              >
                {open === r.number ? "Close" : "What changed"}
              </Button>
              {i > 0 && (
                <Form method="post">
                  <input type="hidden" name="number" value={r.number} />
                  <Button type="submit" variant="outlined" size="small">
                    Go back to this
                  </Button>
                </Form>
              )}
            </Box>
            {open === r.number && (
              <Box sx={{ mt: 1.5 }}>
                <TextDiff before={revisions[i + 1]?.text ?? ""} after={r.text} beforeName="before" afterName="new" />
              </Box>
            )}
          </Box>
        ))}
      </Box>
    </>
  );
}
