/** The newest backup, and the whole school to take along. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { backupText } from "./backup-text.ts";

export interface BackupProps {
  /** The newest one; null: there is none. */
  readonly backup: { readonly at: number; readonly bytes: number } | null;
  /** ms. */
  readonly now: number;
}

export const Backup = ({ backup, now }: BackupProps) => (
  <Box component="section" aria-label="Backup" sx={{ pt: 3 }}>
    <Typography variant="h2" sx={{ mb: 0.5 }}>
      Backup
    </Typography>
    {backupText(backup, now)}
    <Box sx={{ pt: 1 }}>
      <Button variant="outlined" component="a" href="/school.zip" download>
        Whole school as an archive
      </Button>
    </Box>
  </Box>
);
