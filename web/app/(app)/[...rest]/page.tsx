import { notFound } from "next/navigation";

export default function Rest() {
  notFound();
}
