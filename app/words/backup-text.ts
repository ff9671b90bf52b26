/** How old the newest backup is, in words. */

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** A nightly backup that is older than this was not written, h. */
const LATE = 36;

const ago = (ms: number): string => {
  if (ms < 2 * HOUR) return "less than two hours ago";
  return ms < 2 * DAY ? `${Math.floor(ms / HOUR)} hours ago` : `${Math.floor(ms / DAY)} days ago`;
};

export function backupText(backup: { readonly at: number; readonly bytes: number } | null, now: number): string {
  if (!backup)
    return "There is none yet. One is written each night while bin/start runs; bin/backup writes one at once.";
  const size = `${Math.max(0.1, backup.bytes / 1e6).toFixed(1)} MB`;
  const said = `The newest was written ${ago(now - backup.at)} and read to its end: ${size}. bin/restore brings it back.`;
  return now - backup.at > LATE * HOUR ? `${said} That is too long ago: look at .data/log/backup-nightly.log.` : said;
}
