import { type ReactNode, Suspense } from "react";
import { pageScope } from "@/data/pageScope";
import { Shell } from "@/kit/shell/Shell";
import { Document } from "@/kit/theme/Document";
import { HeaderRibbon } from "@/places/round/HeaderRibbon";

const PLACES = [
  { name: "Round", href: "/round" },
  { name: "Tanks", href: "/tanks" },
  { name: "Letters", href: "/letters" },
];

export const metadata = { title: "Keel Round", manifest: "/manifest.webmanifest", icons: "/icon.svg" };

export default async function AppLayout({ children }: { children: ReactNode }) {
  const scope = await pageScope();
  return (
    <Document>
      <Shell
        places={scope.role === "owner" ? PLACES.slice(1) : PLACES}
        name={scope.name}
        ribbon={
          <Suspense>
            <HeaderRibbon scope={scope} />
          </Suspense>
        }
      >
        {children}
      </Shell>
    </Document>
  );
}
