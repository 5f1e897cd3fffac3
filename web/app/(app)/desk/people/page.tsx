import { listPeople } from "@/data/access/people";
import { linkOptions } from "@/data/book/lists";
import { pageScope } from "@/data/pageScope";
import { whenOf } from "@/data/when";
import { DeskNav } from "@/places/desk/DeskNav";
import { PeoplePage } from "@/places/people/PeoplePage";

export default async function DeskPeoplePage() {
  const scope = await pageScope(["office"]);
  const [{ people, orphans }, options] = await Promise.all([
    listPeople(scope, whenOf(scope).today),
    linkOptions(scope, "site"),
  ]);
  return (
    <PeoplePage
      people={people}
      orphans={orphans}
      clients={(options.clientId ?? []).map(([id, name]) => ({ id, name }))}
      me={scope.personId}
      nav={<DeskNav here="people" scope={scope} />}
    />
  );
}
