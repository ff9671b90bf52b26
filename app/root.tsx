import "@fontsource-variable/atkinson-hyperlegible-mono/wght.css";
import "@fontsource-variable/hanken-grotesk/wght.css";
import "@fontsource-variable/bricolage-grotesque/wght.css";
import textFont from "@fontsource-variable/hanken-grotesk/files/hanken-grotesk-latin-wght-normal.woff2?url";
import headingFont from "@fontsource-variable/bricolage-grotesque/files/bricolage-grotesque-latin-wght-normal.woff2?url";
import CssBaseline from "@mui/material/CssBaseline";
import InitColorSchemeScript from "@mui/material/InitColorSchemeScript";
import { ThemeProvider } from "@mui/material/styles";
import { useContext, useEffect, type ReactNode } from "react";
import { Links, Meta, Outlet, Scripts, ScrollRestoration, useMatches } from "react-router";
import { db, isDatabaseDown } from "#db/pool.ts";
import { getTonight } from "#db/classes.ts";
import { admit } from "#server/access/admit.ts";
import { nonceContext, scopeContext, visitorContext } from "#server/web/context.ts";
import { aloneSince } from "#server/web/ready.ts";
import { schoolRow } from "#server/school/school-of.ts";
import { meOf } from "#server/access/me.ts";
import type { Route } from "./+types/root.ts";
import { keeps } from "./ui/keep-page.ts";
import { Frame, WITHOUT_FRAME } from "./ui/frame.tsx";
import { Alone } from "./ui/alone.tsx";
import { ServerNonce } from "./ui/nonce.ts";
import { RouteTrouble, Trouble } from "./ui/trouble.tsx";
import { RoleProvider } from "./ui/role.tsx";
import { ZoneProvider } from "./ui/zone.tsx";
import { theme } from "./ui/theme.ts";
import { useSchoolSettings } from "./workers/client.ts";

// The fonts of the first view come with the page: one that comes later moves what is already read.
const FONTS = [textFont, headingFont].map((href) => ({
  rel: "preload" as const,
  as: "font" as const,
  type: "font/woff2",
  crossOrigin: "anonymous" as const,
  href,
}));
export const links: Route.LinksFunction = () => [
  { rel: "icon", href: "/favicon.svg", type: "image/svg+xml" },
  { rel: "manifest", href: "/manifest.webmanifest" },
  ...FONTS,
];
export { keepPageOnFailure as shouldRevalidate } from "./ui/keep-page.ts";
export const meta: Route.MetaFunction = () => [{ title: "Vicissor" }];

export const middleware: Route.MiddlewareFunction[] = [admit];

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const nonce = context.get(nonceContext);
  const visitor = context.get(visitorContext);
  const me = meOf(visitor);
  const nothing = {
    nonce,
    me,
    alone: null,
    settings: { settings: {}, version: 0 },
    school: "",
    zone: "UTC",
    tonight: null,
  };
  if (!me) return { ...nothing, down: false };
  try {
    const [school, tonight, alone] = await Promise.all([schoolRow(scope), getTonight(db, scope), aloneSince()]);
    return {
      nonce,
      me,
      down: false,
      // Who only reads can do nothing about it.
      alone: me.role === "owner" || me.role === "instructor" ? alone : null,
      settings: { settings: school?.settings ?? {}, version: school?.version ?? 0 },
      school: school?.name ?? "",
      zone: school?.zone ?? "UTC",
      tonight: tonight && { id: tonight.id, title: tonight.title, date: tonight.held_on },
    };
  } catch (error) {
    if (!isDatabaseDown(error)) throw error;
    return { ...nothing, down: true };
  }
}

type Shown = Awaited<ReturnType<Route.ClientLoaderArgs["serverLoader"]>>;
const keeper = keeps<Shown>();
/** There is one page around all others. */
const ROOT = "root";
/** A class that runs, on the bench and on the wall. */
const RUNNING = /^\/class\/[^/]+\/(?:floor|wall)(?:\.data)?$/;

/** A class that runs stays on the screen when server or database are gone for a while. */
export async function clientLoader({ serverLoader, request }: Route.ClientLoaderArgs): Promise<Shown> {
  const found = await keeper.load(ROOT, serverLoader);
  return found.down && RUNNING.test(new URL(request.url).pathname) ? (keeper.shown(ROOT) ?? found) : found;
}

/** The page around everything, errors too. */
function Page({ nonce, children }: { nonce: string | undefined; children: ReactNode }) {
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta property="csp-nonce" nonce={nonce} suppressHydrationWarning />
        <Meta />
        <Links nonce={nonce} />
      </head>
      <body>
        <InitColorSchemeScript attribute="data-scheme" {...(nonce ? { nonce } : {})} />
        <ThemeProvider theme={theme}>
          <CssBaseline />
          {children}
        </ThemeProvider>
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

export default function Root({ loaderData }: Route.ComponentProps) {
  const { nonce, me, alone, down, school, zone, tonight, settings } = loaderData;
  useEffect(() => {
    if (!loaderData.down) keeper.keep(ROOT, loaderData);
  }, [loaderData]);
  // Before any screen asks the worker: effects of screens run before those of the page around them.
  useSchoolSettings(settings);
  const bare = useMatches().some(({ handle }) => handle === WITHOUT_FRAME);
  return (
    <Page nonce={nonce}>
      <RoleProvider value={me?.role ?? "student"}>
        <ZoneProvider value={zone}>
          {bare && !down ? (
            <Outlet />
          ) : (
            <Frame me={me} school={school} tonight={tonight}>
              {alone && <Alone since={alone} />}
              {down ? <Trouble kind="database" /> : <Outlet />}
            </Frame>
          )}
        </ZoneProvider>
      </RoleProvider>
    </Page>
  );
}

export function ErrorBoundary({ error, loaderData }: Route.ErrorBoundaryProps) {
  // Where no page was found no loader has run.
  const made = useContext(ServerNonce);
  return (
    <Page nonce={loaderData?.nonce ?? made}>
      <Frame me={loaderData?.me ?? null} school={loaderData?.school ?? ""} tonight={null}>
        <RouteTrouble error={error} />
      </Frame>
    </Page>
  );
}
