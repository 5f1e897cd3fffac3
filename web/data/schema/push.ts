import { foreignKey, index, mysqlTable, primaryKey, uniqueIndex, varchar } from "drizzle-orm/mysql-core";
import { instant, uuid } from "./columns";
import { person } from "./desk";

/** A browser that may be rung when a clock ends. Of a device: it is not part of an archive. */
export const pushSubscription = mysqlTable(
  "push_subscription",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    personId: uuid("person_id").notNull(),
    endpoint: varchar("endpoint", { length: 1000 }).notNull(),
    /** SHA-256 of the endpoint, hex: one row a browser, whoever works with it last. */
    endpointHash: varchar("endpoint_hash", { length: 64 }).notNull(),
    p256dh: varchar("p256dh", { length: 200 }).notNull(),
    auth: varchar("auth", { length: 100 }).notNull(),
    createdAt: instant("created_at").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("push_endpoint_uq").on(t.endpointHash),
    index("push_person_ix").on(t.businessId, t.personId),
    foreignKey({
      name: "push_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);
