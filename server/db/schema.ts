import { index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";

/** One row a case; the document is the case file itself. */
export const cases = sqliteTable(
  "cases",
  {
    id: text("id").primaryKey(),
    title: text("title").notNull(),
    document: text("document").notNull(),
    /** goes up by one with every write; a write that does not know the present one is refused */
    revision: integer("revision").notNull().default(1),
    /** what the shelf shows of it: a sentence and a small graph, as JSON */
    summary: text("summary").notNull().default("{}"),
    createdAt: integer("created_at").notNull(),
    updatedAt: integer("updated_at").notNull(),
    /** set when deleted: the case can be brought back until it is cleared away */
    deletedAt: integer("deleted_at"),
  },
  // The shelf, newest first, without reading the documents.
  (t) => [index("cases_shelf").on(t.deletedAt, t.updatedAt, t.id)],
);

/** Small facts about the database, such as whether the demo cases were put in. */
export const facts = sqliteTable("facts", { name: text("name").primaryKey(), value: text("value").notNull() });
