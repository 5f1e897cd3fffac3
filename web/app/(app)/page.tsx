import { redirect } from "next/navigation";
import { pageScope } from "@/data/access/pageScope";

export default async function Home() {
  const scope = await pageScope();
  redirect(scope.role === "tankOwner" ? "/owner" : "/round");
}
