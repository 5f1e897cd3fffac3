import { foreignKey, index, mysqlEnum, mysqlTable, primaryKey, varchar } from "drizzle-orm/mysql-core";
import { instant, uuid } from "./columns";
import { business, person } from "./desk";

/**
 * Who came in, took data out or changed what is kept about somebody. Never edited; looks at door codes are rows of
 * `accessLook`. It goes after the months that the firm keeps it for.
 */
export const audit = mysqlTable(
  "audit",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id")
      .notNull()
      .references(() => business.id),
    /** Null of what the firm's own rules did at night. */
    personId: uuid("person_id"),
    at: instant("at").notNull(),
    kind: mysqlEnum("kind", ["sign-in", "second-factor", "taken-out", "brought-in", "people", "erased"]).notNull(),
    /** What it was, as a phrase: "with a passkey", "clients as a table". */
    what: varchar("what", { length: 190 }).notNull(),
    address: varchar("address", { length: 64 }).notNull().default(""),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("audit_time_ix").on(t.businessId, t.at),
    index("audit_person_ix").on(t.businessId, t.personId, t.at),
    foreignKey({
      name: "audit_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);
