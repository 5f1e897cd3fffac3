import type { Values } from "@keel-round/core/desk";
import { EntitySchema } from "@keel-round/core/desk/schema";
import { notFound, redirect } from "next/navigation";
import { pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { linkOptions, mayEdit } from "@/data/desk/lists";
import { NewRecord } from "@/places/desk/RecordPage";

export default async function NewRecordPage({
  params,
  searchParams,
}: {
  params: Promise<{ entity: string }>;
  searchParams: Promise<Values>;
}) {
  const scope = await pageScope(STAFF);
  const [{ entity }, given] = await Promise.all([params, searchParams]);
  const known = EntitySchema.safeParse(entity);
  if (!known.success || !mayEdit(scope, known.data)) notFound();
  if (known.data === "tank") redirect("/tanks/new");
  return <NewRecord scope={scope} entity={known.data} options={await linkOptions(scope, known.data)} given={given} />;
}
