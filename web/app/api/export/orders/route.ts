import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { ordersCsv, proposedOrders } from "@/data/stores/orders";

/** What should be ordered today, as a CSV file. */
export const GET = defineRoute({
  name: "stores.orders",
  roles: STAFF,
  params: z.object({}).nullish(),
  takesOut: () => "an order as a table",
  run: async (scope) => {
    const { today } = whenOf(scope);
    return new Response(ordersCsv(await proposedOrders(scope, today)), {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": `attachment; filename="orders ${today}.csv"`,
        "cache-control": "no-store",
      },
    });
  },
});
