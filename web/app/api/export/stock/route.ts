import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { loadStores } from "@/data/stores/overview";
import { stockCsv } from "@/data/stores/stockCsv";

/** What lies in the stores, as a CSV file. */
export const GET = defineRoute({
  name: "stores.stock",
  roles: STAFF,
  params: z.object({}).nullish(),
  takesOut: () => "the stock as a table",
  run: async (scope) => {
    const { today } = whenOf(scope);
    return new Response(stockCsv(await loadStores(scope, today)), {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": `attachment; filename="stores ${today}.csv"`,
        "cache-control": "no-store",
      },
    });
  },
});
