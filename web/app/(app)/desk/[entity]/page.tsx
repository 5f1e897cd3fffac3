import { readFilters } from "@keel-round/core/book";
import { EntitySchema } from "@keel-round/core/book/schema";
import { notFound } from "next/navigation";
import { linkOptions, listRecords } from "@/data/book/lists";
import { pageScope } from "@/data/pageScope";
import { differingJobs } from "@/data/programme/firmJobs";
import { STAFF } from "@/data/scope";
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
