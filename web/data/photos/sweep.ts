import { sql } from "drizzle-orm";
import { db } from "../database/connection";
import { sweepIntake } from "./intake";

/** Takes away what a process left behind that ended in the middle: files half taken in, rows of files that never came in whole. */
export async function sweep(): Promise<void> {
  await sweepIntake(Date.now());
  // Ids carry their moment: what is younger than a day may still be coming in.
  await db().execute(sql`
    delete r from import_row r left join import_file f on f.id = r.import_id
    where f.id is null
      and conv(substr(replace(cast(r.import_id as char), '-', ''), 1, 12), 16, 10)
        < (unix_timestamp(utc_timestamp()) - 86400) * 1000`);
  // Tries to sign in are told for two weeks, and count for an hour.
  await db().execute(sql`delete from sign_in_try where at < utc_timestamp() - interval 30 day`);
  // What was published needs its readings no more.
  await db().execute(sql`
    delete i from import_reading i join import_file f on f.id = i.import_id where f.state in ('done', 'undone')`);
}
