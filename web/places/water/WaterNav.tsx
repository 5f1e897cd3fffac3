import { PartsNav } from "@/kit/PartsNav";

const PARTS = [
  ["/water", "Plan a change"],
  ["/water/mixing", "Mixing"],
  ["/water/doses", "Doses"],
] as const;

/** The parts of the water's place. */
export function WaterNav({ here }: { here: (typeof PARTS)[number][0] }) {
  return <PartsNav label="Parts of the water" parts={PARTS} here={here} />;
}
