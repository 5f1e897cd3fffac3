import { Box, Flex } from "@chakra-ui/react";
import { civilOf, sayDay } from "@keel-round/core/calendar";
import { sayAmount } from "@keel-round/core/stores";
import type { UnitPreference } from "@keel-round/core/units";
import type { Proposal, recentOrders } from "@/data/stores/orders";
import { AppLink } from "@/kit/AppLink";
import { PageHead, QuietButton, SubHead } from "@/kit/controls";
import { A } from "@/kit/elements";
import { PrintButton } from "@/kit/PrintButton";
import { EndOrder } from "./EndOrder";
import { OrderForm } from "./OrderForm";

type Recent = Awaited<ReturnType<typeof recentOrders>>;

/** What should be ordered, by supplier, and what is on its way. */
export function OrdersPage({
  proposals,
  recent,
  zone,
  units,
}: {
  proposals: readonly Proposal[];
  recent: Recent;
  zone: string;
  units: UnitPreference;
}) {
  const open = recent.filter(({ order }) => !order.cameAt && !order.cancelledAt);
  const ended = recent.filter(({ order }) => order.cameAt || order.cancelledAt);
  return (
    <Box>
      <PageHead
        title="Orders"
        facts={proposals.length === 0 ? "nothing to order today" : ""}
        actions={
          <Flex gap="12px" className="screen">
            {proposals.length > 0 && (
              <>
                <QuietButton asChild>
                  <A href="/api/export/orders" download>
                    CSV
                  </A>
                </QuietButton>
                <PrintButton />
              </>
            )}
            <QuietButton asChild>
              <AppLink href="/stores">All stores</AppLink>
            </QuietButton>
          </Flex>
        }
      />
      {proposals.map((p) => (
        <Box key={p.supplier} as="section" aria-label={p.supplier || "No supplier"} mt="24px">
          <SubHead>{p.supplier || "No supplier named"}</SubHead>
          <OrderForm proposal={p} units={units} />
        </Box>
      ))}
      {open.length > 0 && (
        <Box as="section" aria-label="On its way" mt="28px">
          <SubHead>On its way</SubHead>
          {open.map((o) => (
            <Ordered key={o.order.id} ordered={o} zone={zone} units={units} />
          ))}
        </Box>
      )}
      {ended.length > 0 && (
        <Box as="section" aria-label="Earlier orders" mt="28px" className="screen">
          <SubHead>Earlier orders</SubHead>
          {ended.map((o) => (
            <Ordered key={o.order.id} ordered={o} zone={zone} units={units} />
          ))}
        </Box>
      )}
    </Box>
  );
}

function Ordered({ ordered, zone, units }: { ordered: Recent[number]; zone: string; units: UnitPreference }) {
  const { order, by } = ordered;
  const day = (at: Date) => sayDay(civilOf(at.getTime(), zone).date);
  const state = order.cameAt
    ? `came on ${day(order.cameAt)}`
    : order.cancelledAt
      ? "cancelled"
      : order.email === ""
        ? "not mailed from here"
        : order.sentAt
          ? `mailed to ${order.email}`
          : order.sendError
            ? `not mailed yet: ${order.sendError}`
            : `to be mailed to ${order.email}`;
  return (
    <Flex gap="16px" py="8px" borderBottomWidth="1px" borderColor="rule" wrap="wrap" data-order={order.supplier}>
      <Box flex="1" minW="260px">
        <Box fontWeight="560">{order.supplier || "No supplier named"}</Box>
        <Box>{order.lines.map((l) => `${l.name} ${sayAmount(l.amount, l.unit, units)}`).join(", ")}</Box>
        <Box color="soft" fontSize="13.5px">
          {day(order.orderedAt)}, {by}; {state}
        </Box>
      </Box>
      {!order.cameAt && !order.cancelledAt && <EndOrder orderId={order.id} supplier={order.supplier} />}
    </Flex>
  );
}
