import { Box } from "@chakra-ui/react";
import { headers } from "next/headers";
import { factorsOf } from "@/data/access/factors";
import { pageScope, signedIn } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { deviceName, wayIn } from "@/data/access/sessions";
import { feedOf } from "@/data/calendar/feed";
import { SubHead } from "@/kit/controls";
import { SecondFactor } from "@/kit/entry/SecondFactor";
import { CalendarAddress } from "@/places/calendar/CalendarAddress";
import { Me } from "@/places/me/Me";
import { WayIn } from "@/places/me/WayIn";

export default async function MePage() {
  const scope = await pageScope();
  const asked = await headers();
  const [way, factors] = await Promise.all([wayIn(scope, asked, new Date()), factorsOf((await signedIn()).userId)]);
  const feed = await feedOf(scope, { kind: "person", ofId: scope.personId });
  return (
    <Me
      name={scope.name}
      role={scope.role}
      business={scope.businessName}
      units={scope.units}
      wayIn={
        <>
          {STAFF.includes(scope.role) && (
            <Box mt="26px" maxW="760px">
              <SubHead>Your stops in your own calendar</SubHead>
              <Box pt="10px">
                <CalendarAddress kind="person" ofId={scope.personId} feed={feed} what="your stops" />
              </Box>
            </Box>
          )}
          <WayIn way={way} zone={scope.zone} owner={scope.role === "tankOwner"} />
          <Box mt="26px">
            <SecondFactor factors={factors} zone={scope.zone} device={deviceName(asked.get("user-agent"))} />
          </Box>
        </>
      }
    />
  );
}
