"use client";

import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { tinykeys } from "tinykeys";
import { KeyHelp } from "./KeyHelp";

const PLACES: readonly [keys: string, href: string][] = [
  ["g r", "/round"],
  ["g k", "/weeks"],
  ["g t", "/tanks"],
  ["g w", "/water"],
  ["g s", "/stores"],
  ["g l", "/letters"],
  ["g d", "/desk"],
];

const typing = (event: KeyboardEvent) =>
  event.target instanceof HTMLElement &&
  (event.target.isContentEditable || /^(INPUT|SELECT|TEXTAREA)$/.test(event.target.tagName));

/** Where readings are entered: of the tank whose page is open, else of any. */
function readingsFrom(path: string): string {
  const [, tank] = /^\/tanks\/([0-9a-f-]{36})/.exec(path) ?? [];
  return tank ? `/tanks/readings?tank=${tank}` : "/tanks/readings";
}

/** Moves between stops, days and workings by key. What a key does is found in the page by its data attribute. */
export function Keys() {
  const router = useRouter();
  const [help, setHelp] = useState(false);
  useEffect(() => {
    const press = (attribute: string, elsewhere?: () => void) => (event: KeyboardEvent) => {
      if (typing(event)) return;
      const target = document.querySelector<HTMLElement>(`[data-key="${attribute}"]`);
      if (!target) return elsewhere?.();
      event.preventDefault();
      target.click();
      target.focus();
    };
    const along = (step: number) => (event: KeyboardEvent) => {
      if (typing(event)) return;
      const rows = [...document.querySelectorAll<HTMLElement>("[data-row]")];
      const at = rows.indexOf(document.activeElement as HTMLElement);
      rows[Math.min(rows.length - 1, Math.max(0, at + step))]?.focus();
      if (rows.length > 0) event.preventDefault();
    };
    const workings = (event: KeyboardEvent) => {
      if (typing(event)) return;
      const all = [...document.querySelectorAll<HTMLDetailsElement>("details[data-working]")];
      const open = all.every((d) => d.open);
      for (const details of all) details.open = !open;
    };
    const showKeys = (event: KeyboardEvent) => {
      if (!typing(event)) setHelp((shown) => !shown);
    };
    return tinykeys(window, {
      // Two keys before one: the first binding that fires ends the search, and "w" alone would take "g w" away.
      ...Object.fromEntries(
        PLACES.map(([keys, href]) => [keys, (event: KeyboardEvent) => !typing(event) && router.push(href)]),
      ),
      "[": press("previous-day"),
      "]": press("next-day"),
      j: along(1),
      k: along(-1),
      w: workings,
      ".": press("tick"),
      r: press("new-reading", () => router.push(readingsFrom(window.location.pathname))),
      "$mod+z": press("undo"),
      "$mod+Shift+z": press("redo"),
      "/": press("find"),
      "?": showKeys,
      "Shift+?": showKeys,
    });
  }, [router]);
  return <KeyHelp open={help} onClose={() => setHelp(false)} />;
}
