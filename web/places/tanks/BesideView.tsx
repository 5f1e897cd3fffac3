import { Box, Flex } from "@chakra-ui/react";
import { kindFacts } from "@keel-round/core/tank";
import { counted } from "@keel-round/core/text";
import type { Parameter, UnitPreference } from "@keel-round/core/units";
import type { Beside } from "@/data/tanks/beside";
import { AppLink } from "@/kit/AppLink";
import { Choice, PageHead, QuietButton } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { figureLabel } from "./figureLabel";
import { BESIDE, SmallFigure } from "./sheet/trend/Multiples";

/** One figure over all tanks of a kind, the odd ones first. */
export function BesideView({ of, units }: { of: Beside; units: UnitPreference }) {
  const { kinds, kind, parameters, parameter, figures } = of;
  if (!kind || !parameter) return <Box color="soft">There are no tanks yet.</Box>;
  // All on one scale: what looks higher is higher.
  const values = figures.flatMap((f) => [f.band.idealLow, f.band.idealHigh, ...f.points.map((p) => p.value)]);
  const alsoHolds = [Math.max(0, Math.min(...values)), Math.max(...values)];
  return (
    <Box>
      <PageHead
        title={figureLabel(parameter, kindFacts[kind])}
        facts={`${counted(figures.length, "tank")}: ${kindFacts[kind].label}`}
        actions={
          <QuietButton asChild>
            <AppLink href="/tanks">All tanks</AppLink>
          </QuietButton>
        }
      />
      <Form action="/tanks/beside" mt="14px" mb="16px">
        <Flex gap="10px" wrap="wrap">
          <Choice name="kind" defaultValue={kind} aria-label="Kind of tank" w="auto">
            {kinds.map((k) => (
              <option key={k.kind} value={k.kind}>
                {kindFacts[k.kind].label} ({k.tanks})
              </option>
            ))}
          </Choice>
          <Choice name="of" defaultValue={parameter} aria-label="Figure" w="auto">
            {parameters.map((p: Parameter) => (
              <option key={p} value={p}>
                {figureLabel(p, kindFacts[kind])}
              </option>
            ))}
          </Choice>
          <QuietButton type="submit">Show</QuietButton>
        </Flex>
      </Form>
      <Box as="section" aria-label="The same figure of all tanks" {...BESIDE}>
        {figures.map((f) => (
          <SmallFigure
            key={f.tankId}
            href={`/tanks/${f.tankId}?tab=readings&of=${parameter}`}
            name={`${f.tankName}, ${f.siteName}`}
            {...{ band: f.band, points: f.points, units, alsoHolds }}
          />
        ))}
      </Box>
    </Box>
  );
}
