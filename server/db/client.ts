import { mkdirSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { createClient, type Client } from "@libsql/client";
import { drizzle, type LibSQLDatabase } from "drizzle-orm/libsql";
import { migrate } from "drizzle-orm/libsql/migrator";
import * as schema from "./schema";

export type Database = LibSQLDatabase<typeof schema>;
export interface OpenDatabase {
  readonly db: Database;
  readonly client: Client;
  close(): void;
}

/** Where cases are kept: DATABASE_URL (a libSQL server, or a file), else a file under .data/ beside the project. */
export const databaseUrl = (env: Record<string, string | undefined> = process.env): string =>
  env.DATABASE_URL || `file:${join(process.cwd(), ".data", "pasear.db")}`;

const migrationsFolder = (): string => process.env.PASEAR_MIGRATIONS || resolve(process.cwd(), "server/db/migrations");

/** Opens the database and brings it up to date. A file is kept in WAL mode, so that reading never waits for writing. */
export async function openDatabase(url = databaseUrl(), migrations = migrationsFolder()): Promise<OpenDatabase> {
  const isFile = url.startsWith("file:");
  if (isFile) mkdirSync(dirname(url.startsWith("file://") ? fileURLToPath(url) : url.slice(5)), { recursive: true });
  const client = createClient({ url, authToken: process.env.DATABASE_AUTH_TOKEN });
  if (isFile) {
    await client.execute("PRAGMA journal_mode = WAL");
    await client.execute("PRAGMA synchronous = NORMAL");
    await client.execute("PRAGMA busy_timeout = 5000");
  }
  await client.execute("PRAGMA foreign_keys = ON");
  const db = drizzle(client, { schema });
  await migrate(db, { migrationsFolder: migrations });
  return { db, client, close: () => client.close() };
}
