import { KeptDay } from "@/places/visit/KeptDay";

export default function DayPage() {
  return <KeptDay />;
}
