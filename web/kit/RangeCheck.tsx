"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { WaterPlan } from "@keel-round/core/change";
import type { PlanInput } from "@keel-round/core/given";
import { figure, parameterFacts, type UnitPreference, withUnit } from "@keel-round/core/units";
import { useEffect, useRef, useState } from "react";
import type { DrawsAsked, DrawsTold } from "@/workers/draws.worker";
import { QuietButton, SubHead } from "./controls";
import { Span, Table } from "./elements";
import { Cell, Head } from "./table";

const DRAWS = 10_000;

/**
 * The ranges of a plan beside those of ten thousand draws of its whole balance, made by a worker so that the drawing goes
 * on meanwhile.
 */
export function RangeCheck({ input, water, units }: { input: PlanInput; water: WaterPlan; units: UnitPreference }) {
  const worker = useRef<Worker>(null);
  const [told, setTold] = useState<DrawsTold | null>(null);
  const [running, setRunning] = useState(false);
  const litres = water.litres.value;
  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
    setRunning(false);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: another plan makes what was drawn of this one void.
  useEffect(() => {
    setTold(null);
    return stop;
  }, [input, litres]);
  if (water.after.length === 0 || litres === 0) return null;
  const start = () => {
    stop();
    const made = new Worker(new URL("../workers/draws.worker.ts", import.meta.url), { type: "module" });
    worker.current = made;
    setRunning(true);
    made.onmessage = ({ data }: MessageEvent<DrawsTold>) => {
      setTold(data);
      if (data.draws >= DRAWS) stop();
    };
    made.postMessage({ input, litres, draws: DRAWS } satisfies DrawsAsked);
  };
  return (
    <Box mt="14px">
      <SubHead>How sure</SubHead>
      <Flex gap="12px" align="center" pt="10px" wrap="wrap">
        {running ? (
          <QuietButton type="button" onClick={stop}>
            Stop
          </QuietButton>
        ) : (
          <QuietButton type="button" onClick={start}>
            Draw it 10 000 times
          </QuietButton>
        )}
        <Span color="soft" fontSize="14px" role="status">
          {told
            ? `${figure(told.draws, 0)} draws${running ? "" : told.draws < DRAWS ? ", stopped" : ""}`
            : "A change by chance, with every reading, source and volume off by what is known of it."}
        </Span>
      </Flex>
      {told && (
        <Table w="100%" borderCollapse="collapse" fontSize="14px" mt="8px">
          <thead>
            <tr>
              {["After", "By the formula", "By the draws"].map((h) => (
                <Head key={h}>{h}</Head>
              ))}
            </tr>
          </thead>
          <tbody>
            {water.after.map(({ parameter, after }) => {
              const drawn = told.after[parameter];
              const says = (low: number, high: number) =>
                `${withUnit(parameter, Math.max(0, low), units)} to ${withUnit(parameter, high, units)}`;
              return (
                <tr key={parameter}>
                  <Cell>{parameterFacts[parameter].label}</Cell>
                  <Cell className="num">{after.range ? says(after.range.low, after.range.high) : ""}</Cell>
                  <Cell className="num">{drawn ? says(drawn.low, drawn.high) : ""}</Cell>
                </tr>
              );
            })}
          </tbody>
        </Table>
      )}
    </Box>
  );
}
