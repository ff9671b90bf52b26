import { strToU8, zipSync } from "fflate";
import { scopeContext } from "#server/web/context.ts";
import { reading } from "#server/web/respond.ts";
import { drillBook } from "#server/share/book.ts";
import type { Route } from "./+types/drill-book.ts";

/** The drill book as one file, to be unpacked where it is to be read. */
export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => {
    const files = await drillBook(context.get(scopeContext), null);
    const zip = zipSync(Object.fromEntries([...files].map(([name, text]) => [name, strToU8(text)])));
    return new Response(Buffer.from(zip), {
      headers: {
        "Content-Type": "application/zip",
        "Content-Disposition": 'attachment; filename="drill-book.zip"',
      },
    });
  });
}
