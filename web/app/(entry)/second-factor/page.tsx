import { Box } from "@chakra-ui/react";
import { headers } from "next/headers";
import { redirect } from "next/navigation";
import { factorsOf } from "@/data/access/factors";
import { signedIn } from "@/data/access/pageScope";
import { deviceName } from "@/data/access/sessions";
import { SecondFactor } from "@/kit/entry/SecondFactor";
import { AskedForFactor } from "@/places/entry/AskedForFactor";

/** Where somebody goes whose firm asks for a second factor, and who came in without one. */
export default async function SecondFactorPage() {
  const entered = await signedIn();
  if (!entered.lacksSecondFactor) redirect("/");
  const factors = await factorsOf(entered.userId);
  return (
    <AskedForFactor
      firm={entered.scope.businessName}
      has={factors.app ? "app" : factors.passkeys.length > 0 ? "passkey" : null}
    >
      <Box mt="18px">
        <SecondFactor
          factors={factors}
          zone={entered.scope.zone}
          device={deviceName((await headers()).get("user-agent"))}
        />
      </Box>
    </AskedForFactor>
  );
}
