import { notFound } from "next/navigation";
import { z } from "zod";
import { orNotFound, pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { loadPlanner } from "@/data/water/planner";
import { TankCard } from "@/places/water/TankCard";

const Asked = z.object({ tank: z.uuid(), source: z.uuid(), litres: z.coerce.number().min(0).max(1e5) });

export default async function CardPage({ searchParams }: { searchParams: Promise<Record<string, string>> }) {
  const scope = await pageScope(STAFF);
  const asked = Asked.safeParse(await searchParams);
  if (!asked.success) notFound();
  const { chosen } = await orNotFound(loadPlanner(scope, asked.data.tank, whenOf(scope).today));
  const source = chosen?.sources.find((s) => s.id === asked.data.source);
  if (!chosen || !source) notFound();
  return (
    <TankCard
      name={chosen.name}
      siteName={chosen.siteName}
      input={{ ...chosen.input, source }}
      litres={asked.data.litres}
      units={scope.units}
      by={scope.name}
    />
  );
}
