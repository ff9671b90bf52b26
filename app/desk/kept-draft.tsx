/** What was typed and not saved, where the desk itself cannot be shown. */
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import { readDraft } from "./drafts.ts";

export function KeptDraft({ id }: { id: string }) {
  const [draft, setDraft] = useState<string | null>(null);
  useEffect(() => setDraft(readDraft(id)), [id]);
  if (draft === null) return null;
  return (
    <Box component="section" aria-labelledby="kept" sx={{ maxWidth: 720, mx: "auto", px: 3, pb: 8 }}>
      <Typography variant="h2" id="kept" sx={{ mt: 0 }}>
        What you typed is kept on this device
      </Typography>
      <Box
        component="pre"
        tabIndex={0}
        aria-labelledby="kept"
        sx={{ p: 2, bgcolor: "background.paper", fontFamily: "monospace", whiteSpace: "pre-wrap", overflow: "auto" }}
      >
        {draft}
      </Box>
    </Box>
  );
}
