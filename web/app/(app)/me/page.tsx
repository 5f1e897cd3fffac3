import { headers } from "next/headers";
import { wayIn } from "@/data/access/sessions";
import { pageScope } from "@/data/pageScope";
import { Me } from "@/places/me/Me";
import { WayIn } from "@/places/me/WayIn";

export default async function MePage() {
  const scope = await pageScope();
  const way = await wayIn(scope, await headers(), new Date());
  return (
    <Me
      name={scope.name}
      role={scope.role}
      business={scope.businessName}
      units={scope.units}
      wayIn={<WayIn way={way} zone={scope.zone} owner={scope.role === "owner"} />}
    />
  );
}
