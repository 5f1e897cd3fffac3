import { redirect } from "next/navigation";
import { pageScope } from "@/data/pageScope";

export default async function DeskPage() {
  await pageScope(["office", "technician"]);
  redirect("/desk/site");
}
