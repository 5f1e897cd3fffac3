import { pageScope } from "@/data/pageScope";
import { Me } from "@/places/me/Me";

export default async function MePage() {
  const scope = await pageScope();
  return <Me name={scope.name} role={scope.role} business={scope.businessName} units={scope.units} />;
}
