import { redirect } from "next/navigation";
import { pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";

export default async function DeskPage() {
  await pageScope(STAFF);
  redirect("/desk/site");
}
