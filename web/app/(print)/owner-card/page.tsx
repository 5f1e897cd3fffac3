import { notFound } from "next/navigation";
import { z } from "zod";
import { orNotFound, pageScope } from "@/data/access/pageScope";
import { whenOf } from "@/data/access/when";
import { firmPhone } from "@/data/firm/firm";
import { loadTank } from "@/data/tanks/tanks";
import { OwnerCard } from "@/places/tanks/OwnerCard";

const Asked = z.object({ tank: z.uuid() });

export default async function OwnerCardPage({ searchParams }: { searchParams: Promise<Record<string, string>> }) {
  const scope = await pageScope();
  const asked = Asked.safeParse(await searchParams);
  if (!asked.success) notFound();
  const sheet = await orNotFound(loadTank(scope, asked.data.tank, whenOf(scope).today));
  return <OwnerCard sheet={sheet} business={scope.businessName} phone={await firmPhone(scope)} />;
}
