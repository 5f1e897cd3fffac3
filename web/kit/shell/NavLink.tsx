"use client";

import { usePathname } from "next/navigation";
import { AppLink } from "@/kit/AppLink";
import { A } from "@/kit/elements";

/** A place in the navigation. Only places that work are in it. */
export interface Place {
  readonly name: string;
  readonly href: string;
}

/** A place's link; the one that is open is marked by more than its colour. */
export function NavLink({ place }: { place: Place }) {
  const here = usePathname().startsWith(place.href);
  return (
    <A
      asChild
      flex={{ base: "1", md: "none" }}
      textAlign={{ base: "center", md: "left" }}
      py={{ base: "16px", md: "9px" }}
      pl={{ md: "24px" }}
      color={here ? "ink" : "soft"}
      fontWeight={here ? "620" : "400"}
      fontSize={{ base: "14px", md: "15.5px" }}
      textDecoration="none"
      borderLeftWidth={{ md: "3px" }}
      borderTopWidth={{ base: "3px", md: 0 }}
      borderColor={here ? "coralline" : "transparent"}
    >
      <AppLink href={place.href} aria-current={here ? "page" : undefined}>
        {place.name}
      </AppLink>
    </A>
  );
}
