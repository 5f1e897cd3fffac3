import { redirect } from "next/navigation";
import { pageScope } from "@/data/pageScope";
import { STAFF } from "@/data/scope";

export default async function DeskPage() {
  await pageScope(STAFF);
  redirect("/desk/site");
}
