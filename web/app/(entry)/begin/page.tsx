import { headers } from "next/headers";
import { redirect } from "next/navigation";
import { mayBegin } from "@/data/begin";
import { scopeOf } from "@/data/scope";
import { Begin } from "@/places/entry/Begin";

export default async function BeginPage() {
  const scope = await scopeOf(await headers());
  if (!(await mayBegin(scope))) redirect("/");
  return <Begin first={scope === null} zones={[...Intl.supportedValuesOf("timeZone"), "UTC"]} />;
}
