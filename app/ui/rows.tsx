/** Lists as the pages write them: rows under hairlines, no bullets. */
import { styled } from "@mui/material/styles";
import type { ComponentProps } from "react";

const Plain = styled("ul")({ listStyle: "none", margin: 0, padding: 0 });

/** `ordered`: their order means something. */
export const Rows = ({ ordered = false, ...rest }: ComponentProps<typeof Plain> & { readonly ordered?: boolean }) => (
  <Plain as={ordered ? "ol" : "ul"} {...rest} />
);

/** One row under its hairline. */
export const Row = styled("li")(({ theme }) => ({
  borderTop: `1px solid ${(theme.vars ?? theme).palette.hairline}`,
}));
