"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useRef } from "react";
import { QuietButton } from "@/kit/controls";
import { Dd, Dialog, Dl, Dt, H2 } from "@/kit/elements";
import { Kbd } from "./Kbd";

const SAYS: readonly (readonly [keys: readonly string[], does: string])[] = [
  [["/"], "find a tank, a site, a client"],
  [["g", "r"], "to the round"],
  [["g", "k"], "to the weeks"],
  [["g", "t"], "to the tanks"],
  [["g", "w"], "to the water"],
  [["g", "s"], "to the stores"],
  [["g", "l"], "to the letters"],
  [["g", "d"], "to the desk"],
  [["[", "]"], "the day before, the day after"],
  [["j", "k"], "down and up the rows"],
  [["w"], "open and close the workings of figures"],
  [["."], "tick the step or the phase, on a visit"],
  [["r"], "enter a reading"],
  [["Ctrl", "z"], "undo a move, in the weeks; with Shift, make it again"],
  [["?"], "these keys"],
];

/** All keys on one sheet, on any screen; Escape closes it. */
export function KeyHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  const sheet = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    if (open) sheet.current?.showModal();
    else sheet.current?.close();
  }, [open]);
  return (
    <Dialog
      ref={sheet}
      aria-label="Keys"
      onClose={onClose}
      m="auto"
      p="20px"
      maxW="min(420px, calc(100vw - 32px))"
      w="100%"
      bg="sheet"
      color="ink"
      borderWidth="1px"
      borderColor="ruleStrong"
      rounded="s"
    >
      {open && (
        <>
          <H2 fontSize="19px" fontWeight="640" mb="10px">
            Keys
          </H2>
          <Dl display="grid" gridTemplateColumns="90px 1fr" rowGap="8px" fontSize="15px">
            {SAYS.map(([keys, does]) => (
              <Box key={does} display="contents">
                <Dt>
                  {keys.map((k) => (
                    <Kbd key={k}>{k}</Kbd>
                  ))}
                </Dt>
                <Dd>{does}</Dd>
              </Box>
            ))}
          </Dl>
          <QuietButton type="button" mt="14px" minH="48px" w="100%" onClick={onClose}>
            Close
          </QuietButton>
        </>
      )}
    </Dialog>
  );
}
