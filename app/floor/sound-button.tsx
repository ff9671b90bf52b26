/** Sound on or off, the last call once more, and how loud and in whose voice: browsers let nothing be heard before a tap. */
import Button from "@mui/material/Button";
import { Choice } from "../ui/choice.tsx";
import type { useSound } from "./use-sound.ts";

interface SoundProps {
  readonly sound: ReturnType<typeof useSound>;
}

export const SoundButton = ({ sound }: SoundProps) => (
  <>
    {sound.on && sound.calls && (
      <Button variant="outlined" onClick={sound.again}>
        Say it again
      </Button>
    )}
    <Button variant={sound.on ? "contained" : "outlined"} aria-pressed={sound.on} onClick={() => sound.turn(!sound.on)}>
      {sound.on ? "Turn sound off" : "Turn sound on"}
    </Button>
  </>
);

const LOUD = [
  [0.25, "soft"],
  [0.8, "loud"],
  [1, "as loud as it goes"],
] as const;
const VOICES = [
  ["ours", "the one that comes with it"],
  ["browser", "this browser’s"],
] as const;

export const SoundChoices = ({ sound }: SoundProps) => (
  <>
    <Choice label="How loud" value={sound.volume} options={LOUD} onChange={sound.setVolume} sx={{ minWidth: 110 }} />
    <Choice label="Voice" value={sound.voice} options={VOICES} onChange={sound.setVoice} sx={{ minWidth: 150 }} />
  </>
);
