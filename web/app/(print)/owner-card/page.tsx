import { notFound } from "next/navigation";
import { z } from "zod";
import { firmPhone } from "@/data/firm";
import { orNotFound, pageScope } from "@/data/pageScope";
import { loadTank } from "@/data/tanks";
import { whenOf } from "@/data/when";
import { OwnerCard } from "@/places/tanks/OwnerCard";

const Asked = z.object({ tank: z.uuid() });

export default async function OwnerCardPage({ searchParams }: { searchParams: Promise<Record<string, string>> }) {
  const scope = await pageScope();
  const asked = Asked.safeParse(await searchParams);
  if (!asked.success) notFound();
  const sheet = await orNotFound(loadTank(scope, asked.data.tank, whenOf(scope).today));
  return <OwnerCard sheet={sheet} business={scope.businessName} phone={await firmPhone(scope)} />;
}
