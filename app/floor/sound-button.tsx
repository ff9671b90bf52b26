/** Sound on or off, and the last call once more: browsers let nothing be heard before somebody has tapped. */
import Button from "@mui/material/Button";
import type { useSound } from "./use-sound.ts";

export const SoundButton = ({ sound }: { readonly sound: ReturnType<typeof useSound> }) => (
  <>
    {sound.on && sound.calls && (
      <Button variant="outlined" onClick={sound.again}>
        Say it again
      </Button>
    )}
    <Button variant={sound.on ? "contained" : "outlined"} aria-pressed={sound.on} onClick={() => sound.turn(!sound.on)}>
      {sound.on ? "Sound is on" : "Sound is off"}
    </Button>
  </>
);
