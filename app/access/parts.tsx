/** Small parts of the ways in and of the pages about accounts. */
import Box from "@mui/material/Box";
import TextField, { type TextFieldProps } from "@mui/material/TextField";
import type { ReactNode } from "react";
import { BrandMark } from "../ui/marks.tsx";

/** The sign and the name of the application. */
export const Wordmark = () => (
  <Box sx={{ display: "flex", alignItems: "center", gap: 1.5, mb: 3 }}>
    <BrandMark />
    <Box component="span" sx={{ typography: "h3" }}>
      Vicissor
    </Box>
  </Box>
);

/** The middle of a window that shows one thing only. */
export const Door = ({ title, lead, children }: { title: string; lead?: ReactNode; children?: ReactNode }) => (
  <Box component="main" sx={{ maxWidth: 460, mx: "auto", px: 3, py: { xs: 4, sm: 8 } }}>
    <Wordmark />
    <Box component="h1" sx={{ typography: "h1", m: 0, mb: 1 }}>
      {title}
    </Box>
    {lead && (
      <Box component="p" sx={{ mt: 0, mb: 2, color: "text.secondary" }}>
        {lead}
      </Box>
    )}
    {children}
  </Box>
);

/** A field of a form, over the whole width of it. */
export const Field = ({ sx, ...props }: TextFieldProps) => (
  <TextField fullWidth size="small" sx={{ mt: 2, ...sx }} {...props} />
);

/** A part of a screen about accounts. */
export const Part = ({ title, lead, children }: { title: string; lead?: ReactNode; children: ReactNode }) => (
  <Box component="section" aria-label={title} sx={{ px: { xs: 2, sm: 3 }, pt: 3, maxWidth: 860 }}>
    <Box component="h2" sx={{ typography: "h2", m: 0 }}>
      {title}
    </Box>
    {lead && (
      <Box component="p" sx={{ mt: 0.5, mb: 1, color: "text.secondary" }}>
        {lead}
      </Box>
    )}
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
