import { type ReactNode, Suspense } from "react";
import { pageScope } from "@/data/access/pageScope";
import { Shell } from "@/kit/shell/Shell";
import { Document } from "@/kit/theme/Document";
import { StuckNote } from "@/places/desk/StuckNote";
import { HeaderRibbon } from "@/places/round/HeaderRibbon";

const PLACES = [
  { name: "Round", href: "/round" },
  { name: "Weeks", href: "/weeks" },
  { name: "Tanks", href: "/tanks" },
  { name: "Water", href: "/water" },
  { name: "Stores", href: "/stores" },
  { name: "Letters", href: "/letters" },
  { name: "Desk", href: "/desk" },
];

/** What an owner of tanks sees. */
const OWNERS = ["/tanks", "/letters"];

export const metadata = { manifest: "/manifest.webmanifest", icons: "/icon.svg" };

export default async function AppLayout({ children }: { children: ReactNode }) {
  const scope = await pageScope();
  return (
    <Document>
      <Shell
        places={PLACES.filter((p) => scope.role !== "tankOwner" || OWNERS.includes(p.href))}
        name={scope.name}
        ribbon={
          <Suspense>
            <HeaderRibbon scope={scope} />
          </Suspense>
        }
      >
        {scope.role === "office" && (
          <Suspense>
            <StuckNote scope={scope} />
          </Suspense>
        )}
        {children}
      </Shell>
    </Document>
  );
}
