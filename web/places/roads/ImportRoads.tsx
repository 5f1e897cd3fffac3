"use client";

import { Box, Flex } from "@chakra-ui/react";
import { counted } from "@keel-round/core/text";
import { useState } from "react";
import type { ReadRoads } from "@/data/round/roads";
import { GoButton, Notice, Problem, QuietButton } from "@/kit/controls";
import { Label } from "@/kit/elements";
import { useAsk } from "@/kit/useAsk";
import { clearRoadsAction, readRoadsAction, saveRoadsAction } from "./actions";

const SHOWN = 12;

/** Brings a list of ways in: it is read and told before anything of it is kept. */
export function ImportRoads({ listed }: { listed: number }) {
  const { ask, problem, said, disabled } = useAsk();
  const [text, setText] = useState("");
  const [read, setRead] = useState<ReadRoads | null>(null);
  const look = async (file: File | undefined) => {
    setRead(null);
    if (!file) return;
    const content = await file.text();
    setText(content);
    await ask(readRoadsAction({ text: content }), (found) => {
      setRead(found);
      return undefined;
    });
  };
  return (
    <Box pt="10px">
      <Label display="block">
        CSV with the columns From, To and Minutes; Base is where rounds start
        <input
          type="file"
          accept=".csv,text/csv,text/plain"
          disabled={disabled}
          onChange={(e) => void look(e.target.files?.[0])}
          style={{ display: "block", marginTop: "6px" }}
        />
      </Label>
      <Problem says={problem} mt="6px" />
      {read && (
        <Box mt="10px" role="status">
          <Box>
            {counted(read.ways.length, "way")} can be taken over.{" "}
            {read.missing > 0 &&
              `${counted(read.missing, "way")} between your sites are not on the list and stay as they are known.`}
          </Box>
          {read.problems.slice(0, SHOWN).map((p) => (
            <Box key={`${p.line} ${p.says}`} color="vermilion" fontSize="14.5px">
              Line {p.line}: {p.says}
            </Box>
          ))}
          {read.problems.length > SHOWN && <Box color="soft">and {read.problems.length - SHOWN} more lines</Box>}
          {read.ways.length > 0 && (
            <GoButton
              type="button"
              mt="8px"
              disabled={disabled}
              onClick={() =>
                ask(saveRoadsAction({ text }), ({ ways }) => {
                  setRead(null);
                  return `${counted(ways, "way")} taken over.`;
                })
              }
            >
              Take over {counted(read.ways.length, "way")}
            </GoButton>
          )}
        </Box>
      )}
      {said && (
        <Box mt="8px" role="status">
          <Notice tone="plain">{said}</Notice>
        </Box>
      )}
      {listed > 0 && (
        <Flex mt="10px">
          <QuietButton
            type="button"
            disabled={disabled}
            onClick={() => ask(clearRoadsAction({}), () => "The list is gone. What was learnt counts.")}
          >
            Remove the list
          </QuietButton>
        </Flex>
      )}
    </Box>
  );
}
