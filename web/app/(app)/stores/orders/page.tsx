import { pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { proposedOrders, recentOrders } from "@/data/stores/orders";
import { OrdersPage } from "@/places/stores/OrdersPage";

export default async function Page() {
  const scope = await pageScope(STAFF);
  const [proposals, recent] = await Promise.all([proposedOrders(scope, whenOf(scope).today), recentOrders(scope)]);
  return <OrdersPage proposals={proposals} recent={recent} zone={scope.zone} units={scope.units} />;
}
