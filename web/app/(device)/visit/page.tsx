import { VisitSheet } from "@/places/visit/VisitSheet";

export default function VisitPage() {
  return <VisitSheet />;
}
