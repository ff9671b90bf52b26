/** Sound on or off: browsers let nothing be heard before somebody has tapped. */
import Button from "@mui/material/Button";
import type { useSound } from "./use-sound.ts";

export const SoundButton = ({ sound }: { readonly sound: ReturnType<typeof useSound> }) => (
  <Button variant={sound.on ? "contained" : "outlined"} aria-pressed={sound.on} onClick={() => sound.turn(!sound.on)}>
    {sound.on ? "Sound is on" : "Sound is off"}
  </Button>
);
