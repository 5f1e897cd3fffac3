import NextLink from "next/link";
import type { ComponentProps } from "react";

/**
 * A link within the application. It fetches nothing ahead: a list of forty tanks would otherwise ask the server for
 * forty sheets that nobody opens.
 */
export function AppLink(props: ComponentProps<typeof NextLink>) {
  return <NextLink prefetch={false} {...props} />;
}
