/** A screen as the server writes it: what stands on the page before any script runs. */
import { ThemeProvider } from "@mui/material/styles";
import type { ReactNode } from "react";
import { renderToString } from "react-dom/server";
import { createMemoryRouter, RouterProvider } from "react-router";
import { theme } from "./theme.ts";

/** Its markup without styles, under an address. */
export function html(element: ReactNode, path = "/"): string {
  const router = createMemoryRouter([{ path: "*", element: <ThemeProvider theme={theme}>{element}</ThemeProvider> }], {
    initialEntries: [path],
  });
  return renderToString(<RouterProvider router={router} />).replace(/<style[^>]*>.*?<\/style>/gs, "");
}

/** Its words alone. */
export const text = (element: ReactNode, path = "/"): string =>
  html(element, path)
    .replace(/<[^>]+>/g, " ")
    .replace(/&#x27;/g, "'")
    .replace(/&gt;/g, ">")
    .replace(/&lt;/g, "<")
    .replace(/\s+/g, " ");
