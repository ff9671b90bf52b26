/** Before a class begins: outside its hours, and with minors, something is said first. */
import type { ClassAdults } from "#server/views.ts";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link, useFetcher } from "react-router";
import { isWithin } from "#core/class/hours.ts";
import { useZone } from "../ui/zone.tsx";

interface StartProps {
  readonly held: { readonly begins: number; readonly minutes: number };
  /** ms of the server's clock: that of the device may be wrong. */
  readonly now: number;
  readonly lessonId: string;
  /** null: minors are here, and nobody is named yet; undefined: nothing is asked. */
  readonly adults: ClassAdults | null | undefined;
  readonly onStart: () => void;
  readonly onClose: () => void;
}

export function StartDialog({ held, now, lessonId, adults, onStart, onClose }: StartProps) {
  const zone = useZone();
  const [alone, setAlone] = useState(false);
  const fetcher = useFetcher();
  const begin = () => {
    // It was said, and stands on the card of the class.
    if (isUnnamed) void fetcher.submit({ intent: "alone" }, { method: "post", action: `/class/${lessonId}/floor` });
    onStart();
  };
  const isUnnamed = adults === null;
  const when = new Date(held.begins).toLocaleString("en-GB", { dateStyle: "full", timeStyle: "short", timeZone: zone });
  const isOut = !isWithin(held, now);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="start-title">
      <DialogTitle id="start-title">
        {isUnnamed ? "Minors are here: who are the adults?" : "Start class now?"}
      </DialogTitle>
      <DialogContent>
        {isOut && (
          <Typography sx={{ mb: "1em" }}>
            This class is set for {when}. If it runs now, what is tapped counts for it all the same.
          </Typography>
        )}
        {isUnnamed && (
          <>
            <Typography sx={{ mb: "1em" }}>
              A class with minors names two adults, who gives first aid, and who may collect:{" "}
              <Link to={`/class/${lessonId}/adults`}>name them</Link>. Local rules go first.
            </Typography>
            <FormControlLabel
              control={<Checkbox checked={alone} onChange={(event) => setAlone(event.target.checked)} />}
              label="I run it alone now, and somebody in charge knows it."
            />
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Not now</Button>
        <Button variant="contained" disabled={isUnnamed && !alone} onClick={begin}>
          Start
        </Button>
      </DialogActions>
    </Dialog>
  );
}
