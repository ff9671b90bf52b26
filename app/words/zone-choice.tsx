/** The zone of the school's clock: which day it is, and when a class begins and is over. */
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import { useFetcher } from "react-router";
import type { action } from "../routes/save-settings.ts";
import { Notice } from "../ui/parts.tsx";
import { useZone } from "../ui/zone.tsx";

export function ZoneChoice() {
  const zone = useZone();
  const [draft, setDraft] = useState(zone);
  const fetcher = useFetcher<typeof action>();
  const zones = useMemo(() => [...new Set([zone, "UTC", ...Intl.supportedValuesOf("timeZone")])].sort(), [zone]);
  return (
    <Box component="section" aria-label="The school’s clock" sx={{ py: 1.5, borderBottom: 1, borderColor: "hairline" }}>
      <Typography variant="h3" component="h2">
        Which clock does the hall go by?
      </Typography>
      {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
      <Stack direction="row" spacing={1} sx={{ alignItems: "end", flexWrap: "wrap", py: 1 }}>
        <Autocomplete
          options={zones}
          value={draft}
          onChange={(_, value) => setDraft(value)}
          disableClearable
          sx={{ width: 320 }}
          renderInput={(params) => <TextField {...params} label="Time zone" />}
        />
        <Button
          variant="outlined"
          disabled={draft === zone || fetcher.state !== "idle"}
          onClick={() => void fetcher.submit({ zone: draft }, { method: "post", action: "/settings/change" })}
        >
          Set the clock
        </Button>
      </Stack>
      <Box sx={{ color: "text.secondary" }}>
        Today, “tonight” and the end of a class follow this zone. A class is over six hours after its end.
      </Box>
    </Box>
  );
}
