import { copyFileSync, existsSync, mkdirSync, mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { createClient, type Client } from "@libsql/client";
import { drizzle, type LibSQLDatabase } from "drizzle-orm/libsql";
import { migrate } from "drizzle-orm/libsql/migrator";
import { causeOf } from "./causes";
import * as schema from "./schema";

export type Database = LibSQLDatabase<typeof schema>;
export interface OpenDatabase {
  readonly db: Database;
  readonly client: Client;
  /** what is open is a copy of a database that cannot be written to */
  readonly isReadOnly: boolean;
  close(): void;
}

/**
 * Opens the database and brings it up to date. A file is kept in WAL mode, so that reading never waits for writing. One
 * that can only be read is opened as a copy, so that nothing in it is out of reach.
 * @param migrations  the folder of the steps that bring it up to date
 */
export async function openDatabase(url: string, migrations: string, token?: string): Promise<OpenDatabase> {
  const path = pathOf(url);
  if (path === null) return opened(url, migrations, false, token);
  try {
    mkdirSync(dirname(path), { recursive: true });
    return await opened(url, migrations, false);
  } catch (failure) {
    const cause = causeOf(failure);
    const isOutOfReach = cause === "read-only" || cause === "closed";
    if (!isOutOfReach || !existsSync(path)) throw failure;
    return opened(`file:${readableCopy(path)}`, migrations, true);
  }
}

async function opened(url: string, migrations: string, isReadOnly: boolean, authToken?: string): Promise<OpenDatabase> {
  // One connection: what is set below holds for the connection it is set on, and a second would have the defaults.
  const client = createClient({ url, authToken, timeout: BUSY, ...(pathOf(url) === null ? {} : { concurrency: 1 }) });
  try {
    if (pathOf(url) !== null) {
      await client.execute("PRAGMA journal_mode = WAL");
      // What was acknowledged survives a power cut too.
      await client.execute("PRAGMA synchronous = FULL");
    }
    await client.execute("PRAGMA foreign_keys = ON");
    const db = drizzle(client, { schema });
    await migrate(db, { migrationsFolder: migrations });
    // Nothing needed to be written so far; whether anything can be shows here.
    if (pathOf(url) !== null) await client.execute("DELETE FROM facts WHERE name IS NULL");
    return { db, client, isReadOnly, close: () => client.close() };
  } catch (failure) {
    client.close();
    throw failure;
  }
}

/** How long a write waits while another process writes, in ms. */
const BUSY = 5000;

/** The file of a database that is one; null for a server's. */
const pathOf = (url: string): string | null =>
  !url.startsWith("file:") ? null : url.startsWith("file://") ? fileURLToPath(url) : url.slice(5);

/** Reading in WAL mode writes beside the file, which a read-only disk does not allow: what is there is copied. */
function readableCopy(path: string): string {
  const copy = join(mkdtempSync(join(tmpdir(), "pasear-")), "cases.db");
  for (const part of ["", "-wal"]) if (existsSync(path + part)) copyFileSync(path + part, copy + part);
  return copy;
}
