import { randomUUID } from "node:crypto";
import { createClient, type Client, type InValue, type Row } from "@libsql/client";

/** What a database holds of cases and their versions. */
export interface ShelfRows {
  readonly cases: readonly Row[];
  readonly versions: readonly Row[];
}
async function within<T>(file: string, work: (client: Client) => Promise<T>): Promise<T> {
  const client = createClient({ url: `file:${file}` });
  try {
    await client.execute("PRAGMA busy_timeout = 10000");
    return await work(client);
  } finally {
    client.close();
  }
}

export const readShelf = (file: string): Promise<ShelfRows> =>
  within(file, async (client) => ({
    cases: (await client.execute("SELECT * FROM cases")).rows,
    versions: (await client.execute("SELECT * FROM versions")).rows,
  }));

/**
 * Puts these cases and their versions in the place of all others. They get ids of their own: a change that a page sent
 * while it was closed finds no case any more.
 */
export const writeShelf = (file: string, { cases, versions }: ShelfRows): Promise<void> =>
  within(file, async (client) => {
    const ids = new Map(cases.map((row) => [row.id, randomUUID()]));
    const insert = (table: string, key: string, row: Row) => {
      const named = { ...row, [key]: ids.get(row[key] as string) ?? row[key] } as Record<string, InValue>;
      const names = Object.keys(named).filter((name) => !/^\d+$|^length$/.test(name));
      const marks = names.map(() => "?").join(", ");
      return { sql: `INSERT INTO ${table} (${names.join(", ")}) VALUES (${marks})`, args: names.map((n) => named[n]!) };
    };
    await client.batch(
      [
        "DELETE FROM cases",
        ...cases.map((row) => insert("cases", "id", row)),
        // The database keeps a version of each case by itself.
        "DELETE FROM versions",
        ...versions.map((row) => insert("versions", "case_id", row)),
      ],
      "write",
    );
  });
