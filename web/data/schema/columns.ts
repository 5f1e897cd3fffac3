import { customType, datetime } from "drizzle-orm/mysql-core";

/** MariaDB's native uuid. Ids are UUIDv7, made by whoever creates the row, and never ordered by. */
export const uuid = customType<{ data: string; driverData: string }>({ dataType: () => "uuid" });

/** An instant, UTC, to the millisecond. */
export const instant = (name: string) => datetime(name, { fsp: 3, mode: "date" });

/** A civil date as text, free of zones. */
export const civilDate = customType<{ data: string; driverData: string | Date }>({
  dataType: () => "date",
  fromDriver: (value) => (value instanceof Date ? value.toISOString().slice(0, 10) : value),
});

/** Bytes of a file, up to 16 MB. */
export const mediumblob = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => "mediumblob" });
