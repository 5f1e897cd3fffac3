/** What a finding is about. */
export const FINDING_KINDS = ["safety", "livestock", "equipment", "water", "site", "other"] as const;
export type FindingKind = (typeof FINDING_KINDS)[number];

/** Beginnings of words that tell what a note is about; the first kind that has one wins, so the graver come first. */
const TELLING: readonly (readonly [FindingKind, RegExp])[] = [
  ["safety", /\b(leak|drip|spark|shock|smok|burnt?|scorch|crack|flood|overflow|loose wire|bare wire|socket)/i],
  [
    "livestock",
    /\b(fish|shrimp|snail|coral|anemone|jelly|axolotl|crab|animal|fin\b|fins\b|gill|eye|spot|gasp|dead|died|missing|eat|breath|eggs?\b|fry\b|bell|polyp|moult|tetra|barb|cichlid|goldfish|koi\b|ray\b|turtle)/i,
  ],
  [
    "equipment",
    /\b(pump|filter|heater|chiller|skimmer|lamp|light|timer|hose|valve|sensor|doser|dosing|reactor|uv\b|o-ring|seal|impeller|noise|noisy|loud|hum|rattl|plug|cable|sock|overflow box|wave.?maker|thermostat|carbon|stone)/i,
  ],
  ["water", /\b(water|cloud|yellow|foam|film|smell|alga|algae|bloom|slime|level|evapor|bubbles?|green|sand|detritus)/i],
  [
    "site",
    /\b(door|key|lift|stairs|floor|carpet|parking|park|access|gate|caretaker|reception|alarm|tap\b|drain|sink|room|sun|window|cleaner)/i,
  ],
];

/**
 * What a note is about, from what it says.
 *
 * @returns "other" where no word tells.
 * @example
 * kindOfNote("Return pump hums"); // "equipment"
 * @example
 * kindOfNote("One tetra has white spots"); // "livestock"
 */
export function kindOfNote(text: string): FindingKind {
  return TELLING.find(([, words]) => words.test(text))?.[0] ?? "other";
}

/** What cannot wait for the next visit: somebody may be hurt, an animal may die today, or water runs. */
const URGENT =
  /\b(gasp|leak|drip|flood|overflow|wet floor|floor is wet|spark|shock|smok|burn|scorch|on (?:its|their) sides?\b|upside down|dead|died|dying|not breathing|no power|power cut|too hot|very hot|too cold|very cold|smells? (?:bad|rotten|of burning)|cracked|broken glass|swallowed)/i;

/**
 * Whether what an owner tells sounds as if it could not wait for the next visit.
 *
 * It decides who is told at once, never what is to be done.
 * @example
 * soundsUrgent("The big one is gasping at the surface"); // true
 * @example
 * soundsUrgent("The glass is green"); // false
 */
export const soundsUrgent = (text: string): boolean => URGENT.test(text);
