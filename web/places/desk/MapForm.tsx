"use client";

import { Box } from "@chakra-ui/react";
import { Notice, Problem, QuietButton } from "@/kit/controls";
import { Label } from "@/kit/elements";
import { useAsk } from "@/kit/useAsk";
import { saveMapAction } from "./actions";

/** The firm's own map for the day: a GeoJSON file of lines and areas, brought in or taken away. */
export function MapForm({ has }: { has: boolean }) {
  const { ask, problem, said, disabled } = useAsk();
  const save = (text: string | null) =>
    ask(saveMapAction({ text }), () => (text === null ? "The map is gone." : "The map is drawn under the day."));
  return (
    <Box pt="10px" data-area-map="">
      <Label display="block">
        GeoJSON with lines and areas; a property kind says water, road or other
        <input
          type="file"
          accept=".geojson,.json,application/geo+json"
          disabled={disabled}
          onChange={async (e) => {
            const file = e.target.files?.[0];
            if (file) await save(await file.text());
          }}
          style={{ display: "block", marginTop: "6px" }}
        />
      </Label>
      <Problem says={problem} mt="6px" />
      {said && (
        <Box mt="8px" role="status">
          <Notice tone="plain">{said}</Notice>
        </Box>
      )}
      {has && (
        <QuietButton type="button" mt="8px" disabled={disabled} onClick={() => save(null)}>
          Take the map away
        </QuietButton>
      )}
    </Box>
  );
}
