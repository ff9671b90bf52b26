/** A group of options in a list that one chooses from, named as a group to who hears it. */
import Box from "@mui/material/Box";
import type { AutocompleteRenderGroupParams } from "@mui/material/Autocomplete";
import { Rows } from "./rows.tsx";

export const optionGroup = ({ key, group, children }: AutocompleteRenderGroupParams) => (
  <Box key={key} role="group" aria-label={group}>
    <Box aria-hidden sx={{ px: 2, pt: 1, color: "text.secondary", fontSize: "0.92rem" }}>
      {group}
    </Box>
    <Rows role="presentation">{children}</Rows>
  </Box>
);
