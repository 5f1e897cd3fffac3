import { pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { loadFirmUpkeep } from "@/data/programme/firmUpkeep";
import { FirmFrieze } from "@/places/desk/upkeep/FirmFrieze";

export default async function UpkeepPage({ searchParams }: { searchParams: Promise<{ page?: string; q?: string }> }) {
  const scope = await pageScope(STAFF);
  const { today } = whenOf(scope);
  const asked = await searchParams;
  const q = (asked.q ?? "").slice(0, 60);
  const page = Math.max(1, Number.parseInt(asked.page ?? "1", 10) || 1);
  return (
    <FirmFrieze
      scope={scope}
      today={today}
      page={page}
      q={q}
      upkeep={await loadFirmUpkeep(scope, { today, page, q })}
    />
  );
}
