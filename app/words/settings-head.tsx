/** The head of a part of Settings that is a draft until it is saved. */
import Button from "@mui/material/Button";
import { ScreenHead } from "../ui/parts.tsx";

interface SettingsHeadProps {
  readonly lead: string;
  /** Something differs from what is saved. */
  readonly dirty: boolean;
  readonly busy: boolean;
  readonly onLeave: () => void;
  readonly onSave: () => void;
}

export const SettingsHead = ({ lead, dirty, busy, onLeave, onSave }: SettingsHeadProps) => (
  <ScreenHead title="Settings" lead={lead}>
    {dirty && (
      <Button variant="text" color="inherit" onClick={onLeave}>
        Leave it as it was
      </Button>
    )}
    <Button variant="contained" disabled={!dirty || busy} onClick={onSave}>
      {busy ? "Saving…" : dirty ? "Save" : "Saved"}
    </Button>
  </ScreenHead>
);
