"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { WaterSource } from "@keel-round/core/given";
import { blendSalts } from "@keel-round/core/mixing";
import type { Band } from "@keel-round/core/tank";
import { inSentence } from "@keel-round/core/text";
import {
  figure,
  type Parameter,
  parameterFacts,
  showVolume,
  type UnitPreference,
  withUnit,
} from "@keel-round/core/units";
import { saltGrams } from "@keel-round/core/water";
import { q, worked } from "@keel-round/core/worked";
import { useState } from "react";
import { SubHead } from "@/kit/controls";
import { Label, Span, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { useNumbers } from "@/kit/useNumbers";
import { WorkedFigure } from "@/kit/Working";

/** What a blend aims at together. */
const AIMS: readonly Parameter[] = ["alkalinity", "calcium", "magnesium"];

/** Two or more salts weighed together so that alkalinity, calcium and magnesium come out nearest to a tank's bands. */
export function Blend({
  waters,
  bands,
  targetPsu,
  units,
}: {
  waters: readonly WaterSource[];
  bands: readonly Band[];
  targetPsu: number;
  units: UnitPreference;
}) {
  const salts = waters.filter((w) => w.salt && AIMS.every((p) => w.chemistry[p] !== undefined));
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const perLitre = showVolume(1, units.volume);
  const { numbers, field } = useNumbers(
    {
      litres: { label: `Finished mix, ${units.volume}`, low: 1, high: 10_000, start: (100 * perLitre).toFixed(0) },
    },
    units,
  );
  const targets = AIMS.flatMap((parameter) => {
    const band = bands.find((b) => b.parameter === parameter);
    if (!band) return [];
    const half = (band.idealHigh - band.idealLow) / 2;
    return half > 0 ? [{ parameter, value: band.idealLow + half, half }] : [];
  });
  const chosen = salts.filter((s) => !left.has(s.id));
  const blend = chosen.length > 0 && targets.length > 0 ? blendSalts(chosen, targets) : null;
  const litres = numbers.litres === null ? null : numbers.litres / perLitre;
  return (
    <Box>
      <SubHead>Blend salts</SubHead>
      {salts.length < 2 || targets.length === 0 ? (
        <Box color="soft" pt="10px" fontSize="14.5px">
          For a tank whose bands ask for alkalinity, calcium or magnesium, and two salts whose mix of them is known.
          Both are kept at the desk.
        </Box>
      ) : (
        <>
          <Flex gap="18px" wrap="wrap" pt="10px" align="flex-start">
            <Box w="140px">{field("litres")}</Box>
            <Box pt="20px">
              {salts.map((s) => (
                <Label key={s.id} display="flex" gap="8px" py="3px" fontSize="14.5px">
                  <input
                    type="checkbox"
                    checked={!left.has(s.id)}
                    onChange={(e) => {
                      const next = new Set(left);
                      if (e.target.checked) next.delete(s.id);
                      else next.add(s.id);
                      setLeft(next);
                    }}
                  />
                  {s.salt?.name}
                </Label>
              ))}
            </Box>
          </Flex>
          <Box role="status">
            {!blend && <Span color="soft">Choose a salt.</Span>}
            {blend && litres !== null && (
              <>
                {chosen.map((s, i) => {
                  const share = blend.shares[i] ?? 0;
                  return (
                    <Box key={s.id} color={share < 0.005 ? "soft" : "ink"}>
                      <WorkedFigure
                        of={worked(
                          "blend-grams",
                          share * saltGrams(litres, s.salt?.gramsPerLitre ?? 36, targetPsu),
                          "g",
                          {
                            share: q(share * 100, "%"),
                            litres: q(litres, "L"),
                            salt: q(s.salt?.gramsPerLitre ?? 36, "g/L at 35"),
                            salinity: q(targetPsu, "ppt"),
                            ...Object.fromEntries(
                              AIMS.map((p) => [
                                inSentence(parameterFacts[p].label),
                                q(s.chemistry[p] ?? 0, parameterFacts[p].unit),
                              ]),
                            ),
                          },
                        )}
                        units={units}
                        size="22px"
                        decimals={0}
                      >
                        <span>
                          of {s.salt?.name}, {figure(share * 100, 0)} %
                        </span>
                      </WorkedFigure>
                    </Box>
                  );
                })}
                <Table borderCollapse="collapse" fontSize="14.5px" mt="8px">
                  <thead>
                    <tr>
                      {["", "Wanted", "Comes to", "Off, in halves of its band"].map((h) => (
                        <Head key={h}>{h}</Head>
                      ))}
                    </tr>
                  </thead>
                  <tbody>
                    {targets.map((t) => (
                      <tr key={t.parameter}>
                        <Cell>{parameterFacts[t.parameter].label}</Cell>
                        <Cell className="num">{withUnit(t.parameter, t.value, units)}</Cell>
                        <Cell className="num">{withUnit(t.parameter, blend.chemistry[t.parameter] ?? 0, units)}</Cell>
                        <Cell
                          className="num"
                          color={Math.abs(blend.misses[t.parameter] ?? 0) > 1 ? "vermilion" : "soft"}
                        >
                          {figure(blend.misses[t.parameter] ?? 0, 1)}
                        </Cell>
                      </tr>
                    ))}
                  </tbody>
                </Table>
              </>
            )}
          </Box>
        </>
      )}
    </Box>
  );
}
