"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { OpBody } from "@keel-round/core/visit";
import { useRef, useState } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { Problem, QuietButton, TextInput } from "@/kit/controls";
import { Path, Svg } from "@/kit/elements";
import { refusalSentence } from "./refusals";
import { PAD, type PenPoint, pathOf, penPoint } from "./strokes";

type To = Extract<OpBody, { type: "handover" }>["to"];

/** The end of a visit: somebody signs for it, or nobody is there. Neither has to be said. */
export function Handover({ visit }: { visit: LiveVisit }) {
  const { handover } = visit.state;
  const [signing, setSigning] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const say = async (to: To) => {
    const refusal = await visit.say({ type: "handover", to });
    setError(refusal ? refusalSentence(refusal) : null);
    if (!refusal) setSigning(false);
  };
  return (
    <Box mt="14px" data-handover={handover?.how ?? ""}>
      <Box fontWeight="620">Who was there at the end?</Box>
      {handover ? (
        <Flex gap="10px" align="center" mt="6px">
          <Box flex="1">
            {handover.how === "nobody" ? "Nobody was there." : `${handover.name} signed.`}
            {handover.how === "signed" && handover.strokes !== "" && <Signature path={handover.strokes} />}
          </Box>
          <QuietButton type="button" minH="48px" fontWeight="400" onClick={() => say(null)}>
            Take back
          </QuietButton>
        </Flex>
      ) : signing ? (
        <Pad onSign={say} onLeave={() => setSigning(false)} />
      ) : (
        <Flex gap="8px" mt="6px" wrap="wrap">
          <QuietButton type="button" minH="48px" flex="1" onClick={() => setSigning(true)}>
            Somebody signs
          </QuietButton>
          <QuietButton type="button" minH="48px" flex="1" onClick={() => say({ how: "nobody" })}>
            Nobody was there
          </QuietButton>
        </Flex>
      )}
      <Problem says={error} />
    </Box>
  );
}

/** A signature as it was drawn. */
export function Signature({ path }: { path: string }) {
  return (
    <Svg
      viewBox={`0 0 ${PAD.width} ${PAD.height}`}
      w="150px"
      h="50px"
      display="block"
      role="img"
      aria-label="the signature"
    >
      <Path d={path} fill="none" stroke="ink" strokeWidth="2.2" strokeLinecap="round" strokeLinejoin="round" />
    </Svg>
  );
}

/** A sheet to sign on with a finger; the name alone does for whoever cannot draw. */
function Pad({ onSign, onLeave }: { onSign: (to: To) => Promise<void>; onLeave: () => void }) {
  const [name, setName] = useState("");
  const [strokes, setStrokes] = useState<readonly (readonly PenPoint[])[]>([]);
  const [error, setError] = useState<string | null>(null);
  const drawing = useRef(false);
  const path = pathOf(strokes);
  const point = (e: React.PointerEvent<SVGSVGElement>) => penPoint(e, e.currentTarget.getBoundingClientRect());
  const sign = async () => {
    if (name.trim() === "") return setError("Enter the name of whoever signs.");
    if (path === null) return setError("This signature is too long to keep. Clear it and sign once more.");
    await onSign({ how: "signed", name: name.trim(), strokes: path });
  };
  return (
    <Box mt="6px">
      <TextInput
        aria-label="Name of whoever signs"
        placeholder="name"
        autoComplete="off"
        value={name}
        onChange={(e) => setName(e.target.value)}
        minH="48px"
      />
      <Svg
        viewBox={`0 0 ${PAD.width} ${PAD.height}`}
        w="100%"
        mt="8px"
        bg="paper"
        borderWidth="1px"
        borderColor="ruleStrong"
        touchAction="none"
        role="img"
        aria-label="Sign here with a finger; the name alone does too"
        onPointerDown={(e) => {
          drawing.current = true;
          const at = point(e);
          setStrokes((all) => [...all, [at]]);
        }}
        onPointerMove={(e) => {
          if (!drawing.current) return;
          const at = point(e);
          setStrokes((all) => [...all.slice(0, -1), [...(all.at(-1) ?? []), at]]);
        }}
        onPointerUp={() => {
          drawing.current = false;
        }}
        onPointerLeave={() => {
          drawing.current = false;
        }}
      >
        <Path d={path ?? ""} fill="none" stroke="ink" strokeWidth="2.2" strokeLinecap="round" strokeLinejoin="round" />
      </Svg>
      <Problem says={error} />
      <Flex gap="8px" mt="8px" wrap="wrap">
        <QuietButton type="button" minH="48px" flex="1" onClick={sign}>
          Keep the signature
        </QuietButton>
        <QuietButton type="button" minH="48px" fontWeight="400" onClick={() => setStrokes([])}>
          Clear
        </QuietButton>
        <QuietButton type="button" minH="48px" fontWeight="400" onClick={onLeave}>
          Leave it
        </QuietButton>
      </Flex>
    </Box>
  );
}
