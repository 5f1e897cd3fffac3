import { double, index, mysqlEnum, mysqlTable, primaryKey, varchar } from "drizzle-orm/mysql-core";
import { uuid } from "./columns";

/** What can be found by name. */
const FOUND = ["client", "site", "tank", "animal", "equipment", "letter"] as const;

/** One thing that can be found, as it is shown. Rewritten in the transaction that changes it. */
export const findEntry = mysqlTable(
  "find_entry",
  {
    businessId: uuid("business_id").notNull(),
    entity: mysqlEnum("entity", FOUND).notNull(),
    entityId: uuid("entity_id").notNull(),
    /** Whose it is: an owner of tanks finds nothing of others. */
    clientId: uuid("client_id").notNull(),
    title: varchar("title", { length: 190 }).notNull(),
    detail: varchar("detail", { length: 250 }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.businessId, t.entity, t.entityId] })],
);

/** The words of an entry; those of its own name weigh more than those of what it belongs to. */
export const findWord = mysqlTable(
  "find_word",
  {
    businessId: uuid("business_id").notNull(),
    word: varchar("word", { length: 32 }).notNull(),
    entity: mysqlEnum("entity", FOUND).notNull(),
    entityId: uuid("entity_id").notNull(),
    weight: double("weight").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.businessId, t.word, t.entity, t.entityId] }),
    index("find_word_entry_ix").on(t.businessId, t.entity, t.entityId),
  ],
);

/** Every word that was ever in an entry: few beside the entries, so that near misses can be looked for. */
export const findVocabulary = mysqlTable(
  "find_vocabulary",
  {
    businessId: uuid("business_id").notNull(),
    word: varchar("word", { length: 32 }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.businessId, t.word] })],
);
