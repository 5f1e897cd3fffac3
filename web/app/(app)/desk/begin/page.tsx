import { pageScope } from "@/data/access/pageScope";
import { technicians } from "@/data/access/units";
import { whenOf } from "@/data/access/when";
import { DeskNav } from "@/places/desk/DeskNav";
import { NewClient } from "@/places/newClient/NewClient";

export default async function NewClientPage() {
  const scope = await pageScope(["office"]);
  return (
    <>
      <DeskNav here="client" scope={scope} />
      <NewClient people={await technicians(scope)} units={scope.units} today={whenOf(scope).today} />
    </>
  );
}
