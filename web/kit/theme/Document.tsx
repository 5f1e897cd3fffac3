import "@fontsource-variable/atkinson-hyperlegible-mono/wght.css";
import "@fontsource-variable/atkinson-hyperlegible-next/wght.css";
import { headers } from "next/headers";
import type { ReactNode } from "react";
import { UiProvider } from "./provider";

/** The page around every page with the theme. Reading the nonce keeps it out of any prerendering. */
export async function Document({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get("x-nonce");
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <UiProvider {...(nonce ? { nonce } : {})}>{children}</UiProvider>
      </body>
    </html>
  );
}
