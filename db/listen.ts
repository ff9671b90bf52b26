/** Hears what PostgreSQL tells on a channel, on a connection of its own that comes back by itself. */
import pg from "pg";
import { lookForWriter, writerUrl } from "./servers.ts";

type Heard = (payload: string) => void;

/** Until a lost connection is tried again, ms. */
const AGAIN = 500;

/**
 * Hears a channel until it is ended. `onLost` is told each time the connection was away: something may have been missed.
 */
export function listen(channel: string, heard: Heard, onLost: () => void): { readonly end: () => Promise<void> } {
  let client: pg.Client | null = null;
  let ended = false;
  const connect = async (): Promise<void> => {
    const fresh = new pg.Client({ connectionString: writerUrl(), connectionTimeoutMillis: 3000 });
    let lost = false;
    const away = () => {
      if (lost || ended) return;
      lost = true;
      client = null;
      fresh.end().catch(() => undefined);
      setTimeout(() => void connect(), AGAIN).unref();
    };
    fresh.on("error", away);
    fresh.on("end", away);
    fresh.on("notification", ({ payload }) => payload !== undefined && heard(payload));
    try {
      await fresh.connect();
      await fresh.query(`listen ${pg.escapeIdentifier(channel)}`);
      // Ended while the connection was made: nobody else knows of it.
      if (ended) return void (await fresh.end());
      client = fresh;
      onLost();
    } catch {
      await lookForWriter();
      away();
    }
  };
  void connect();
  return {
    end: async () => {
      ended = true;
      await client?.end().catch(() => undefined);
    },
  };
}
