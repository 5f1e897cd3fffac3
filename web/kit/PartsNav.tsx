import { AppLink } from "@/kit/AppLink";
import { A, Nav } from "@/kit/elements";

/** The parts of a place or of a page, the one that is open with a bar under it. */
export function PartsNav({
  label,
  parts,
  here,
}: {
  label: string;
  parts: readonly (readonly [href: string, name: string])[];
  here: string;
}) {
  return (
    <Nav className="screen" aria-label={label} display="flex" gap="18px" mb="14px" fontSize="14.5px" overflowX="auto">
      {parts.map(([href, name]) => (
        <A
          key={href}
          asChild
          py="6px"
          whiteSpace="nowrap"
          textDecoration="none"
          color={href === here ? "ink" : "soft"}
          fontWeight={href === here ? "620" : "400"}
          borderBottomWidth="3px"
          borderColor={href === here ? "coralline" : "transparent"}
        >
          <AppLink href={href} aria-current={href === here ? "page" : undefined}>
            {name}
          </AppLink>
        </A>
      ))}
    </Nav>
  );
}
