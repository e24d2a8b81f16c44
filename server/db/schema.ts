import { index, integer, primaryKey, sqliteTable, text } from "drizzle-orm/sqlite-core";

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
    /** words a person sorts cases by, as a JSON list */
    tags: text("tags").notNull().default("[]"),
    /** the case this one and others are versions of, with other numbers; null: it has none */
    family: text("family"),
  },
  // The shelf, newest first, without reading the documents.
  (t) => [index("cases_shelf").on(t.deletedAt, t.updatedAt, t.id), index("cases_family").on(t.family)],
);

/** States of a case as they were kept, the present one among them; thinned as they age. */
export const versions = sqliteTable(
  "versions",
  {
    caseId: text("case_id")
      .notNull()
      .references(() => cases.id, { onDelete: "cascade" }),
    revision: integer("revision").notNull(),
    title: text("title").notNull(),
    document: text("document").notNull(),
    /** in ms */
    keptAt: integer("kept_at").notNull(),
    /** given by a person: such a state stays */
    name: text("name"),
  },
  (t) => [primaryKey({ columns: [t.caseId, t.revision] })],
);

/** Small facts about the database, such as whether the demo cases were put in. */
export const facts = sqliteTable("facts", { name: text("name").primaryKey(), value: text("value").notNull() });
