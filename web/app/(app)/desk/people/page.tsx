import { Box } from "@chakra-ui/react";
import { LATELY } from "@/data/access/anew";
import { secondFactors } from "@/data/access/factors";
import { pageIsRecent, pageScope } from "@/data/access/pageScope";
import { listPeople } from "@/data/access/people";
import { whenOf } from "@/data/access/when";
import { feedsOf } from "@/data/calendar/feed";
import { linkOptions } from "@/data/desk/lists";
import { PageHead } from "@/kit/controls";
import { Details, Summary } from "@/kit/elements";
import { SignInFirst } from "@/kit/entry/SignInFirst";
import { CalendarAddress } from "@/places/calendar/CalendarAddress";
import { DeskNav } from "@/places/desk/DeskNav";
import { PeoplePage } from "@/places/people/PeoplePage";

export default async function DeskPeoplePage() {
  const scope = await pageScope(["office"]);
  const nav = <DeskNav here="people" scope={scope} />;
  if (!(await pageIsRecent(LATELY)))
    return (
      <Box>
        {nav}
        <PageHead title="People" />
        <SignInFirst what="Here people come and go, and their addresses stand here." />
      </Box>
    );
  const [{ people, orphans }, options, secondFactor] = await Promise.all([
    listPeople(scope, whenOf(scope).today),
    linkOptions(scope, "site"),
    secondFactors(scope),
  ]);
  const staff = new Set(people.filter((p) => p.role !== "tankOwner" && !p.left).map((p) => p.id));
  const feeds = await feedsOf(scope, "person");
  return (
    <PeoplePage
      people={people}
      orphans={orphans}
      clients={(options.clientId ?? []).map(([id, name]) => ({ id, name }))}
      me={scope.personId}
      units={scope.units}
      calendarOf={(personId) =>
        staff.has(personId) && (
          <Details fontSize="14.5px">
            <Summary color="soft" minH="32px">
              Calendar
            </Summary>
            <Box p="10px 0" maxW="620px">
              <CalendarAddress kind="person" ofId={personId} feed={feeds.get(personId) ?? null} what="their stops" />
            </Box>
          </Details>
        )
      }
      nav={nav}
      secondFactor={secondFactor}
    />
  );
}
