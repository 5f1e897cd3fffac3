import { notFound } from "next/navigation";
import { orNotFound, pageScope } from "@/data/access/pageScope";
import { whenOf } from "@/data/access/when";
import { loadTank } from "@/data/tanks/tanks";
import { WrongView } from "@/places/tanks/WrongView";

export default async function WrongPage({ params }: { params: Promise<{ tankId: string }> }) {
  const scope = await pageScope();
  if (scope.role === "tankOwner") notFound();
  const { tankId } = await params;
  const { row, site, input, next } = await orNotFound(loadTank(scope, tankId, whenOf(scope).today));
  return (
    <WrongView
      tankId={row.id}
      title={`${row.name}, ${site.name}`}
      input={input}
      units={scope.units}
      nextOn={next?.on ?? null}
    />
  );
}
