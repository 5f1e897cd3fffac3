"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { UnitPreference } from "@keel-round/core/units";
import { useRouter } from "next/navigation";
import { useTheme } from "next-themes";
import { type ReactNode, useEffect, useState } from "react";
import { pendingCount, signOut } from "@/device/account";
import { answered } from "@/kit/answered";
import { Choice, FieldRow, Notice, PageHead, QuietButton, SubHead } from "@/kit/controls";
import { Dd, Dl, Dt } from "@/kit/elements";
import { Kbd } from "@/kit/shell/Kbd";
import { saveUnitsAction } from "./actions";

type Chosen = Omit<UnitPreference, "locale">;

const OPTIONS: {
  readonly [K in keyof Chosen]-?: { readonly label: string; readonly values: readonly UnitPreference[K][] };
} = {
  volume: { label: "Volume", values: ["L", "US gal", "imp gal"] },
  length: { label: "Length", values: ["cm", "in"] },
  temperature: { label: "Temperature", values: ["°C", "°F"] },
  salinity: { label: "Salinity", values: ["ppt", "SG 25/25", "mS/cm raw"] },
  alkalinity: { label: "Alkalinity, KH", values: ["dKH", "meq/L", "ppm CaCO3"] },
  decimal: { label: "Sign before decimals", values: [".", ","] },
};

const KEYS: readonly [string, string][] = [
  ["/", "find anything"],
  ["g r, g t, g w, g l, g d", "Round, Tanks, Water, Letters, Desk"],
  ["[ and ]", "day before, day after"],
  ["j and k", "along stops or tanks"],
  ["w", "open or close all workings"],
  ["r", "new reading, on a visit"],
  [".", "tick the step, on a visit"],
];

/** What belongs to the person: units, light or dim room, keys, sign-out. */
export function Me({
  name,
  role,
  business,
  units,
  wayIn,
}: {
  name: string;
  role: string;
  business: string;
  units: UnitPreference;
  /** How they come in. */
  wayIn: ReactNode;
}) {
  const router = useRouter();
  const { theme, setTheme } = useTheme();
  const [mounted, setMounted] = useState(false);
  const [waiting, setWaiting] = useState(0);
  const [message, setMessage] = useState<string | null>(null);
  // What was chosen a moment ago goes along, whether or not the page has come back with it.
  const [chosen, setChosen] = useState(units);
  useEffect(() => {
    setMounted(true);
    void pendingCount().then(setWaiting);
  }, []);
  const save = async (field: keyof Chosen, value: string) => {
    const next = { ...chosen, [field]: value };
    setChosen(next);
    setMessage(null);
    const result = await answered(saveUnitsAction(next));
    if (!result.ok) setChosen(chosen);
    setMessage(result.ok ? "Saved." : result.message);
    router.refresh();
  };
  return (
    <Box>
      <PageHead
        title={name}
        facts={`${role}, ${business}`}
        actions={
          <QuietButton type="button" onClick={signOut}>
            Sign out
          </QuietButton>
        }
      />
      {waiting > 0 && (
        <Box mt="12px">
          <Notice tone="care">
            {waiting} entries of visits are still only on this phone. They stay through a sign-out and go up when you
            sign in here again.
          </Notice>
        </Box>
      )}
      <Flex gap="48px" mt="18px" wrap="wrap" align="flex-start">
        <Box w="260px">
          <SubHead>Units</SubHead>
          <Box pt="10px">
            {(Object.keys(OPTIONS) as (keyof typeof OPTIONS)[]).map((field) => (
              <FieldRow key={field} label={OPTIONS[field].label}>
                <Choice value={chosen[field] ?? "."} onChange={(e) => save(field, e.target.value)}>
                  {OPTIONS[field].values.map((v) => (
                    <option key={v} value={v}>
                      {v === "." ? "point: 1,350.5" : v === "," ? "comma: 1.350,5" : v}
                    </option>
                  ))}
                </Choice>
              </FieldRow>
            ))}
            <Box role="status" color="soft" minH="20px">
              {message}
            </Box>
          </Box>
        </Box>
        <Box w="260px">
          <SubHead>Light</SubHead>
          <Box pt="10px">
            <FieldRow label="Theme">
              <Choice value={mounted ? (theme ?? "system") : "system"} onChange={(e) => setTheme(e.target.value)}>
                <option value="system">As the device</option>
                <option value="light">Light</option>
                <option value="dark">Dim room</option>
              </Choice>
            </FieldRow>
          </Box>
        </Box>
        <Box w="300px">
          <SubHead>Keys</SubHead>
          <Dl pt="10px" display="grid" gridTemplateColumns="auto 1fr" columnGap="14px" rowGap="6px" fontSize="14px">
            {KEYS.map(([keys, what]) => (
              <Box key={keys} display="contents">
                <Dt>
                  <Kbd>{keys}</Kbd>
                </Dt>
                <Dd color="soft">{what}</Dd>
              </Box>
            ))}
          </Dl>
        </Box>
      </Flex>
      {wayIn}
    </Box>
  );
}
