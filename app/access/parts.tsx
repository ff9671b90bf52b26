/** Small parts of the ways in and of the pages about accounts. */
import Box from "@mui/material/Box";
import Stack from "@mui/material/Stack";
import TextField, { type TextFieldProps } from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";
import { BrandMark } from "../ui/marks.tsx";

/** The sign and the name of the application. */
export const Wordmark = () => (
  <Stack direction="row" spacing={1.5} sx={{ alignItems: "center", mb: 3 }}>
    <BrandMark />
    <Box component="span" sx={{ typography: "h3" }}>
      Vicissor
    </Box>
  </Stack>
);

/** The middle of a window that shows one thing only. */
export const Door = ({ title, lead, children }: { title: string; lead?: ReactNode; children?: ReactNode }) => (
  <Box component="main" sx={{ maxWidth: 460, mx: "auto", px: 3, py: { xs: 4, sm: 8 } }}>
    <Wordmark />
    <Typography variant="h1" sx={{ mb: 1 }}>
      {title}
    </Typography>
    {lead && <Typography sx={{ mb: 2, color: "text.secondary" }}>{lead}</Typography>}
    {children}
  </Box>
);

/** A field of a form, over the whole width of it. */
export const Field = ({ sx, ...props }: TextFieldProps) => <TextField fullWidth sx={{ mt: 2, ...sx }} {...props} />;

/** A part of a screen about accounts. */
export const Part = ({ title, lead, children }: { title: string; lead?: ReactNode; children: ReactNode }) => (
  <Box component="section" aria-label={title} sx={{ px: { xs: 2, sm: 3 }, pt: 3, maxWidth: 860 }}>
    <Typography variant="h2">{title}</Typography>
    {lead && <Typography sx={{ mt: 0.5, mb: 1, color: "text.secondary" }}>{lead}</Typography>}
    {children}
  </Box>
);

/** What an action said: a result, or what was wrong. */
export interface Said {
  readonly kind: string;
  readonly message?: string;
}

/** The last word of an action, aloud where a reader is used. */
export const Spoken = ({ said }: { said: object | undefined }) => {
  const { kind, message } = (said ?? {}) as Partial<Said>;
  return (
    <Box
      role="status"
      sx={{ minHeight: 24, mt: 1.5, color: kind === "saved" ? "text.primary" : "error.main", fontWeight: 600 }}
    >
      {message}
    </Box>
  );
};
