import { civilOf } from "@keel-round/core/calendar";
import { pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { listAttention } from "@/data/tanks/attention";
import { kitsAhead } from "@/data/tanks/kitsAhead";
import { AttentionList } from "@/places/tanks/AttentionList";
import { isAttentionShow } from "@/places/tanks/attentionFilter";

export default async function AttentionPage({
  searchParams,
}: {
  searchParams: Promise<{ show?: string; page?: string }>;
}) {
  const scope = await pageScope(STAFF);
  const { show, page } = await searchParams;
  const today = civilOf(Date.now(), scope.zone).date;
  return (
    <AttentionList
      {...(await listAttention(scope, today))}
      kits={await kitsAhead(scope, today)}
      show={isAttentionShow(show) ? show : null}
      page={Number.parseInt(page ?? "1", 10) || 1}
      today={today}
      units={scope.units}
    />
  );
}
