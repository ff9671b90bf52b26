/** The newest backup, as the settings show it. */
import { readdirSync, statSync } from "node:fs";
import { join } from "node:path";
import { env } from "../web/env.ts";

interface NewestBackup {
  readonly name: string;
  /** ms. */
  readonly at: number;
  readonly bytes: number;
}

/** Where `bin/start` and `bin/backup` keep them. */
const folder = (): string => env().VICISSOR_BACKUPS;

/** Null where there is none, or none that this process may see. */
export function newestBackup(): NewestBackup | null {
  try {
    const all = readdirSync(folder())
      .filter((name) => /\.dump(?:\.age)?$/.test(name))
      .map((name) => ({ name, ...statSync(join(folder(), name)) }));
    const [newest] = all.sort((a, b) => b.mtimeMs - a.mtimeMs);
    return newest ? { name: newest.name, at: newest.mtimeMs, bytes: newest.size } : null;
  } catch {
    return null;
  }
}
