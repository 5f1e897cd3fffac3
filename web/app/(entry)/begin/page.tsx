import { headers } from "next/headers";
import { redirect } from "next/navigation";
import { scopeOf } from "@/data/access/scope";
import { mayBegin } from "@/data/firm/begin";
import { Begin } from "@/places/entry/Begin";

export default async function BeginPage() {
  const scope = await scopeOf(await headers());
  if (!(await mayBegin(scope))) redirect("/");
  return <Begin first={scope === null} zones={[...Intl.supportedValuesOf("timeZone"), "UTC"]} />;
}
