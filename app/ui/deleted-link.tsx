/** The way to what was deleted, where there is any. */
import Box from "@mui/material/Box";
import { Link } from "react-router";
import { NOT_ON_PAPER } from "./theme.ts";

export function DeletedLink({ count }: { readonly count: number }) {
  if (count === 0) return null;
  return (
    <Box sx={{ px: { xs: 2, sm: 3 }, pb: 4, color: "text.secondary", ...NOT_ON_PAPER }}>
      <Box component={Link} to="/deleted" sx={{ color: "inherit" }}>
        {count === 1 ? "1 thing was deleted" : `${count} things were deleted`}
      </Box>{" "}
      and can be brought back.
    </Box>
  );
}
