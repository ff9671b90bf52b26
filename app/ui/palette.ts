import { useTheme } from "@mui/material/styles";

/** The palette as CSS variables: what is drawn follows the scheme without being drawn again. */
export function usePalette() {
  const theme = useTheme();
  return (theme.vars ?? theme).palette;
}
