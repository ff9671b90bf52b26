/** The newest backup, and the whole school to take along. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { backupText } from "./backup-text.ts";

export interface BackupProps {
  /** The newest one; null: there is none. */
  readonly backup: { readonly at: number; readonly bytes: number } | null;
  /** ms. */
  readonly now: number;
}

export const Backup = ({ backup, now }: BackupProps) => (
  <Box component="section" aria-label="Backup" sx={{ pt: 3 }}>
    <Box component="h2" sx={{ typography: "h2", m: 0, mb: 0.5 }}>
      Backup
    </Box>
    {backupText(backup, now)}
    <Box sx={{ pt: 1 }}>
      <Button variant="outlined" component="a" href="/school.zip" download>
        Whole school as an archive
      </Button>
    </Box>
  </Box>
);
