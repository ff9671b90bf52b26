/** A link to one thing: made for a while, shown as a code and an address, revoked. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useFetcher } from "react-router";
import type { PhoneLink } from "#server/views.ts";
import { QrSvg } from "../paper/qr.tsx";
import { CopyButton } from "../ui/copy-button.tsx";
import { Moment } from "../ui/moment.tsx";
import { Notice } from "../ui/parts.tsx";

interface ShareBoxProps {
  readonly title: string;
  readonly lead: string;
  /** What the form sends beside its intent: which thing it is about. */
  readonly fields: Readonly<Record<string, string>>;
  readonly link: PhoneLink | null;
  /** The word of the button that makes it. */
  readonly make: string;
  /** How long it may live, hours with their words; left out: as the place has it. */
  readonly lasts?: readonly (readonly [hours: number, words: string])[];
  /** First names may stand in it. */
  readonly mayName?: boolean;
}

export function ShareBox({ title, lead, fields, link, make, lasts, mayName }: ShareBoxProps) {
  const fetcher = useFetcher<{ readonly kind: string; readonly message?: string }>();
  const busy = fetcher.state !== "idle";
  return (
    <Box component="section" aria-label={title} sx={{ px: { xs: 2, sm: 3 }, pb: 3, maxWidth: 680 }}>
      <Typography variant="h2">{title}</Typography>
      <Typography sx={{ mt: 0.5, color: "text.secondary", mb: "1em" }}>{lead}</Typography>
      {fetcher.data?.message && <Notice tone="trouble">{fetcher.data.message}</Notice>}
      {link && (
        <>
          <QrSvg qr={link.qr} label={`Code: ${title}`} width={180} />
          <Typography sx={{ overflowWrap: "anywhere", my: 1 }}>
            <a href={link.address}>{link.address}</a>
          </Typography>
          <CopyButton label="Copy the address" text={link.address} />
          <Typography sx={{ color: "text.secondary", my: "1em" }}>
            {mayName && (link.names ? "With first names. " : "Without names. ")}
            It ends on <Moment at={link.until} />.
          </Typography>
        </>
      )}
      <fetcher.Form method="post">
        {Object.entries(fields).map(([name, value]) => (
          <input key={name} type="hidden" name={name} value={value} />
        ))}
        <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap", alignItems: "end" }}>
          {lasts && (
            <TextField select label="For" name="hours" defaultValue={String(lasts[0]![0])}>
              {lasts.map(([hours, words]) => (
                <MenuItem key={hours} value={String(hours)}>
                  {words}
                </MenuItem>
              ))}
            </TextField>
          )}
          {mayName && <FormControlLabel control={<Checkbox name="names" value="yes" />} label="With first names" />}
          <Button type="submit" name="intent" value="new" variant="outlined" disabled={busy}>
            {link ? `${make}, a new one` : make}
          </Button>
          {link && (
            <Button type="submit" name="intent" value="end" disabled={busy}>
              Revoke
            </Button>
          )}
        </Stack>
      </fetcher.Form>
    </Box>
  );
}

/** Said where links are made that nobody else reaches yet. */
export const OnlyHere = () => (
  <Notice>
    Only this machine opens it so far. Start with <code>bin/start --lan NAME</code>, and others on the same network open
    it as well.
  </Notice>
);
