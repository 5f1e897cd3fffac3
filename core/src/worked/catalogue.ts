/** How one kind of planned number is explained when it is opened. */
export interface FormulaWords {
  readonly title: string;
  /** The formula in words. */
  readonly words: string;
  readonly source: string;
  /** Where the formula stops being right. */
  readonly limits: string;
}

/** Every formula whose result a person acts on. */
export const catalogue = {
  "net-volume": {
    title: "Water in the system",
    words:
      "Inside area × height up to the fill line, less what sand and rock take up, plus the sump's chambers, pipes and reactors.",
    source: "Geometry; porosity of settled sand 0.40 and gravel 0.45; solid rock 2.8 times as heavy as water.",
    limits: "Within about 5 % unless the litres were measured while filling.",
  },
  "drain-litres": {
    title: "Litres to take out",
    words: "What the tank's policy asks for today, held down to the smallest of the limits listed.",
    source: "Mass balance of a water change; the tank's own landmarks and daily limits.",
    limits: "A decision, so it carries no range; its results do.",
  },
  "litres-needed": {
    title: "Litres that the reading asks for",
    words: "Litres in the system × (reading − target) ÷ (reading − new water).",
    source: "Mass balance solved for litres; first order while the reading is well known, else 4 000 draws.",
    limits: "A range: the reading, the source and the volume are each known only so well.",
  },
  share: {
    title: "Share of the water",
    words: "Litres taken out ÷ litres in the system.",
    source: "Mass balance.",
    limits: "In-and-out together replaces less than its litres: 1 − e^(−litres ÷ system).",
  },
  mark: {
    title: "Drain line, from the rim",
    words:
      "The height at which the litres above it, counted from the level the tank is found at, equal the litres to take out; measured down from the top edge of the glass.",
    source: "Geometry of the display and what stands in it.",
    limits: "With the return running the display does not fall: the line is then in the return chamber.",
  },
  buckets: {
    title: "Fills to carry",
    words: "Litres to carry ÷ litres of one vessel, rounded up.",
    source: "Count.",
    limits: "A vessel is filled to its own mark, not to its brim.",
  },
  "equal-changes": {
    title: "Litres of each change",
    words: "Litres in the system × (1 − the nth root of (wanted − new water) ÷ (reads − new water)).",
    source: "Mass balance of equal changes, one after the other.",
    limits: "Nothing builds up between them; what does comes on top.",
  },
  hardness: {
    title: "General hardness",
    words: "Calcium ÷ 40.078 + magnesium ÷ 24.305, in mmol/L, ÷ 0.1783 for a degree.",
    source: "A degree is 10 mg/L of calcium oxide; molar masses of IUPAC.",
    limits: "As good as the two readings.",
  },
  doser: {
    title: "Daily dose",
    words: "Used a day × litres in the system ÷ litres that a millilitre raises by one; a tenth nearer at a time.",
    source: "Balance of what is used and what is dosed.",
    limits: "Only a difference of more than two standard errors moves it.",
  },
  "thiosulphate-grams": {
    title: "Thiosulphate against chlorine",
    words: "Litres × (free chlorine + chloramine) × 7.0 mg of the crystals for each mg of chlorine.",
    source: "Two thiosulphates take one chlorine and end as tetrathionate; molar masses 248.18 and 70.906.",
    limits: "Takes the chlorine, not the ammonia that chloramine frees.",
  },
  "salt-grams": {
    title: "Salt to weigh",
    words: "Litres of finished mix × grams per litre of this salt × wanted salinity ÷ 35.",
    source: "Grams per litre: the label at first, then moved half-way to each verified batch.",
    limits: "Verify with a meter before use: salt draws damp in the bag.",
  },
  "salt-water": {
    title: "Salt water to pour",
    words: "(wanted salinity × system − salt left in the tank) ÷ salinity of the new water.",
    source: "Balance of salt mass; evaporation takes water, not salt.",
    limits: "By volume; within 1.3 % of a balance by mass.",
  },
  "new-water": {
    title: "New water to pour",
    words: "Litres taken out; with water of the same tap also what was missing on arrival.",
    source: "Balance of water.",
    limits: "Poured by litres; the rest comes up to the fill line with the tank's own top-up water.",
  },
  "fresh-water": {
    title: "Water that tops up",
    words: "Litres taken out + litres missing on arrival − new water to pour.",
    source: "Balance of water and salt: evaporation takes water and leaves everything else.",
    limits: "Poured up to the fill line, whatever the litres say.",
  },
  "conditioner-ml": {
    title: "Conditioner",
    words: "Label dose × litres treated × chloramine factor, never above the label's maximum.",
    source: "The product's label.",
    limits:
      "Whole tank when untreated tap water meets it, after a large drain in portions; otherwise the new water only.",
  },
  "refill-temperature": {
    title: "Bring the new water to",
    words:
      "The temperature that keeps the tank inside its daily limit after mixing, as near to the tank's as can be had.",
    source: "Heat balance of two volumes of water.",
    limits: "Heat lost in the hose is not counted; measure half-way.",
  },
  "half-way": {
    title: "Half-way through the refill",
    words: "(water left × its temperature + new water so far × its temperature) ÷ both.",
    source: "Heat balance of two volumes of water.",
    limits: "Read away from the jet, with the water moving.",
  },
  co2: {
    title: "Carbon dioxide",
    words: "3 × KH × 10^(7 − pH).",
    source: "Carbonate equilibrium at ordinary temperatures.",
    limits: "Within about 30 %. It fails where tannins, phosphate or a buffer salt hold the pH.",
  },
  "drain-minutes": {
    title: "Running out",
    words:
      "Litres of each slice of the height ÷ the flow of the hose there, added up while the head falls with the water.",
    source: "Darcy and Weisbach; Swamee and Jain's friction factor; a timed bucket puts one factor on every flow.",
    limits: "A kink, air in the hose or a strainer slow it: time a bucket.",
  },
  "refill-minutes": {
    title: "Running in",
    words: "Litres ÷ the flow at which the pump's curve meets height and hose.",
    source: "Pump curve from its two ends; Darcy and Weisbach; a timed bucket beats both.",
    limits: "The lift grows as the barrel empties.",
  },
  "reading-after": {
    title: "Expected after the change",
    words:
      "(before × litres left + new water × its litres + topping up × its litres) ÷ litres of the system; in and out together by the stirred tank.",
    source: "Mass balance with full mixing, over the tank as it is found.",
    limits: "First-order uncertainty of the reading, the litres, the volume, what was missing and the source.",
  },
  "free-ammonia": {
    title: "Free ammonia",
    words: "Total ammonia as nitrogen × 1 ÷ (1 + 10^(pKa − pH)), × 1.2159 as NH3.",
    source: "Emerson et al. 1975 (fresh); Bell et al. 2007 (sea water).",
    limits:
      "At the unfavourable end of both readings; after a change at the highest pH of tank, new water after standing, and carbonate in balance with the air.",
  },
  "build-up": {
    title: "Builds up a day",
    words:
      "The rate and starting value that fit the readings best, with each known water change as a drop between them.",
    source: "Weighted least squares with Huber weights, k = 1.345 (Huber 1964).",
    limits: "Not given with fewer than four readings, or when the rise is smaller than the kit can see.",
  },
  "needed-litres": {
    title: "Litres to reach the target",
    words: "System × (before − target) ÷ (before − new water).",
    source: "Mass balance, solved for the litres.",
    limits: "The target must lie between the tank and the new water.",
  },
  "step-minutes": {
    title: "Minutes for this step",
    words:
      "(3 × library value + the last logged ones) ÷ (3 + their number), on a logarithmic scale, × the pace of who comes.",
    source: "This tank's own log, newest twelve, each at the pace of who did it.",
    limits: "Pauses longer than three times the plan are left out.",
  },
  "visit-minutes": {
    title: "Minutes at this tank",
    words:
      "The steps laid on one pair of hands, which go on while water drains, warms or a heater cools, and wait where they must.",
    source: "Each step's own minutes, learnt from this tank's log.",
    limits: "One pair of hands; unloading and the way to the tank belong to the stop.",
  },
  "top-up": {
    title: "Evaporated since last time",
    words: "Evaporation a day, learnt from refills, × days since the last visit.",
    source: "This tank's log.",
    limits: "More in heat waves and under fans; the level on arrival beats it.",
  },
  demand: {
    title: "Wanted on the day",
    words: "The planned amounts of every tank on the day's rounds that is filled or topped up with it, added up.",
    source: "The plans of the day's visits, as they stand now.",
    limits: "A reading on the day can change it; carry a little more.",
  },
  "purify-minutes": {
    title: "Purifying",
    words:
      "Flush + litres ÷ the purifier's flow: its rated flow × pressure ÷ rated pressure × the membrane's factor for cold water.",
    source: "The purifier's plate; permeability after temperature as makers of membranes publish it.",
    limits: "A used membrane gives less; what it really made beats the plate.",
  },
  "heat-minutes": {
    title: "Warming",
    words: "Litres × heat of water ÷ losses × ln(watts left at first ÷ watts left at the end).",
    source: "Newton's law of cooling with a heater; heater and losses of the empty barrels that hold it.",
    limits: "A lid halves the losses; the room is taken at 15 °C.",
  },
  "barrel-fix": {
    title: "Putting the barrel right",
    words:
      "Too weak: litres × grams per litre × (wanted − measured) ÷ 35. Too strong: litres × (measured ÷ wanted − 1) of fresh water.",
    source: "Balance of salt mass; this salt's measured figure.",
    limits: "By volume, within 1.3 %. Measure again when it has mixed.",
  },
  "reagent-grams": {
    title: "To weigh",
    words: "Rise × litres ÷ what a mole gives × molar mass with its water of crystallisation ÷ purity.",
    source: "Molar masses of the standard atomic masses (IUPAC).",
    limits: "A powder that drew damp holds less than its name says.",
  },
  "correction-dose": {
    title: "To dose today",
    words:
      "The smaller of what is wanted and what may still rise today ÷ what one gram or millilitre raises these litres by.",
    source: "Molar masses (IUPAC) of a powder, the label's strength of a liquid; the firm's limits for a day.",
    limits: "As good as the reading, the litres in the system and the product's strength.",
  },
  "reading-after-dose": {
    title: "Expected once it has mixed",
    words: "As it stands after the change + what the dose raises it by.",
    source: "Balance of what is in the water and what is added.",
    limits: "Read it at the next visit: just after a dose it has not mixed.",
  },
  "blend-grams": {
    title: "Of this salt in the blend",
    words:
      "Its share × litres × its grams per litre × wanted salinity ÷ 35; the shares miss the wanted figures least, in halves of their bands.",
    source: "Least squares with shares that are not negative and add up to one, solved exactly.",
    limits: "As good as what is known of each salt's mix.",
  },
  "hot-share": {
    title: "From the hot tap",
    words: "(wanted − cold) ÷ (hot − cold).",
    source: "Heat balance of two flows.",
    limits: "Both taps drift with use in the house: measure the mix.",
  },
  "settled-peak": {
    title: "Settles at, just before a change",
    words: "New water + rise a day × days between changes ÷ share.",
    source: "The geometric sum of a build-up and equal changes.",
    limits: "While rise, share and interval stay as they are.",
  },
  "run-back": {
    title: "Runs back when the pump stops",
    words:
      "Water standing above the weir, or above the lowest open return outlet, + pipes and reactors, against the room above the sump's running level.",
    source: "Geometry. Check valves count as open.",
    limits: "Under 10 % spare is a warning.",
  },
} as const satisfies Record<string, FormulaWords>;

/** Names a formula in the catalogue. */
export type FormulaId = keyof typeof catalogue;
