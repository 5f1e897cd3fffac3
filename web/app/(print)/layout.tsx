import type { ReactNode } from "react";
import { Document } from "@/kit/theme/Document";

export const metadata = { icons: "/icon.svg" };

export default function PrintLayout({ children }: { children: ReactNode }) {
  return <Document>{children}</Document>;
}
