import { AppLink } from "@/kit/AppLink";
import { A, Nav } from "@/kit/elements";

const PARTS = [
  ["/water", "Bench"],
  ["/water/mixing", "Mixing room"],
] as const;

/** The parts of the water's place. */
export function WaterNav({ here }: { here: (typeof PARTS)[number][0] }) {
  return (
    <Nav aria-label="Parts of the water" display="flex" gap="18px" mb="14px" fontSize="14.5px">
      {PARTS.map(([href, label]) => (
        <A
          key={href}
          asChild
          py="6px"
          textDecoration="none"
          color={href === here ? "ink" : "soft"}
          fontWeight={href === here ? "620" : "400"}
          borderBottomWidth="3px"
          borderColor={href === here ? "coralline" : "transparent"}
        >
          <AppLink href={href} aria-current={href === here ? "page" : undefined}>
            {label}
          </AppLink>
        </A>
      ))}
    </Nav>
  );
}
