import type { ReactNode } from "react";
import { Document } from "@/kit/theme/Document";

export const metadata = { manifest: "/manifest.webmanifest", icons: "/icon.svg" };

/** Pages that the device keeps: nothing of anybody is in them. */
export default function DeviceLayout({ children }: { children: ReactNode }) {
  return <Document>{children}</Document>;
}
