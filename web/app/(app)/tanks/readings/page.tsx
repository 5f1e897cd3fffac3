import { orNotFound, pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { tanksByName } from "@/data/tanks/byName";
import { loadTank } from "@/data/tanks/tanks";
import { EnterReadings } from "@/places/tanks/EnterReadings";

export default async function EnterReadingsPage({ searchParams }: { searchParams: Promise<{ tank?: string }> }) {
  const scope = await pageScope(STAFF);
  const [tanks, { tank }] = await Promise.all([tanksByName(scope), searchParams]);
  const id = tank ?? tanks[0]?.id;
  const sheet = id ? await orNotFound(loadTank(scope, id, whenOf(scope).today)) : null;
  return <EnterReadings scope={scope} tanks={tanks} sheet={sheet} />;
}
