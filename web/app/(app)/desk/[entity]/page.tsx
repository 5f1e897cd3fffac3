import { readFilters } from "@keel-round/core/desk";
import { EntitySchema } from "@keel-round/core/desk/schema";
import { notFound } from "next/navigation";
import { pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { linkOptions, listRecords } from "@/data/desk/lists";
import { differingJobs } from "@/data/library/firmJobs";
import type { ListAddress } from "@/places/desk/columns";
import { Differing } from "@/places/desk/Differing";
import { RecordList } from "@/places/desk/RecordList";

export default async function RecordsPage({
  params,
  searchParams,
}: {
  params: Promise<{ entity: string }>;
  searchParams: Promise<ListAddress>;
}) {
  const scope = await pageScope(STAFF);
  const [{ entity }, address] = await Promise.all([params, searchParams]);
  const known = EntitySchema.safeParse(entity);
  if (!known.success) notFound();
  const asks = readFilters(known.data, address as Readonly<Record<string, unknown>>, scope.units);
  const [list, options, differing] = await Promise.all([
    listRecords(scope, known.data, {
      q: address.q,
      sort: address.sort,
      filters: asks.filters,
      archived: address.archived === "1",
      page: Number.parseInt(address.page ?? "1", 10) || 1,
    }),
    linkOptions(scope, known.data),
    known.data === "job" ? differingJobs(scope) : [],
  ]);
  return (
    <>
      <RecordList scope={scope} entity={known.data} {...list} address={address} options={options} asks={asks} />
      {differing.length > 0 && <Differing jobs={differing} />}
    </>
  );
}
