import { redirect } from "next/navigation";
import { pageScope } from "@/data/pageScope";

export default async function Home() {
  const scope = await pageScope();
  redirect(scope.role === "owner" ? "/tanks" : "/round");
}
