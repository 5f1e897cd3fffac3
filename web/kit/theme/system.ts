import { createSystem, defaultBaseConfig, defineConfig } from "@chakra-ui/react";

/** Each token in a light room and in a dim one. */
const COLORS = {
  ground: ["#F5F3EE", "#111815"],
  sheet: ["#FCFBF8", "#18211D"],
  ink: ["#17231E", "#E9E6DE"],
  soft: ["#54605A", "#AEB8B1"],
  faint: ["#66706A", "#8F9A93"],
  rule: ["#DAD6CC", "#2B3631"],
  ruleStrong: ["#C4BFB2", "#43504A"],
  coralline: ["#8A3A68", "#DE97BE"],
  corallineSolid: ["#8A3A68", "#A04A7B"],
  corallineWash: ["#F3E6EE", "#33212C"],
  water: ["#3C6490", "#86ABD3"],
  waterDeep: ["#3C6490", "#4A75A3"],
  waterMid: ["#6C8FB4", "#5E83AA"],
  waterPale: ["#C9D8E7", "#2C4259"],
  waterLeaving: ["#EAF0F6", "#1F2E3D"],
  ochre: ["#8A5A0E", "#E2B25F"],
  ochreWash: ["#F6EAD2", "#332A14"],
  vermilion: ["#AE3620", "#F39079"],
  vermilionWash: ["#F8E1DB", "#3B2019"],
  waste: ["#8C8272", "#A79D8C"],
  band: ["#E2E7DC", "#2A382F"],
  bed: ["#E3DCCB", "#4A4435"],
  rock: ["#B9AFA6", "#6D655D"],
} as const;

const kebab = (name: string) => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

const ON_PAPER: Record<`--${string}`, string> = Object.fromEntries(
  Object.entries(COLORS).map(([name, [light]]) => [`--kr-colors-${kebab(name)}`, `${light} !important`]),
);

/** The tokens of the look. Water blue is for quantities of water only; coralline is the one colour of action. */
const config = defineConfig({
  cssVarsPrefix: "kr",
  preflight: true,
  globalCss: {
    "html, body": {
      bg: "ground",
      color: "ink",
      fontFamily: "body",
      fontSize: "15px",
      lineHeight: 1.4,
      minHeight: "100dvh",
    },
    "*": {
      boxSizing: "border-box",
      margin: 0,
      "@media (prefers-reduced-motion: reduce)": { transition: "none !important", animation: "none !important" },
    },
    a: { color: "inherit" },
    ":focus-visible": { outline: "2px solid var(--kr-colors-coralline)", outlineOffset: "2px" },
    "svg text": { fontFamily: "body" },
    "svg .num": { fontFamily: "mono" },
    summary: { cursor: "pointer" },
    progress: { accentColor: "var(--kr-colors-coralline)" },
    ".sr-only": { position: "absolute", width: "1px", height: "1px", overflow: "hidden", clipPath: "inset(50%)" },
    "button, input, select, textarea": { font: "inherit", color: "inherit" },
    // On paper a page is its own contents.
    ".screen": { "@media print": { display: "none !important" } },
    // On paper the colours are those of a light room, whatever the screen's; the tokens' own layer comes later.
    ".dark": { "@media print": ON_PAPER },
  },
  theme: {
    breakpoints: { sm: "480px", md: "760px", lg: "1040px", xl: "1180px" },
    tokens: {
      fonts: {
        body: { value: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif" },
        heading: { value: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif" },
        mono: { value: "'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace" },
      },
      radii: { s: { value: "3px" } },
    },
    semanticTokens: {
      colors: Object.fromEntries(
        Object.entries(COLORS).map(([name, [light, dark]]) => [name, { value: { _light: light, _dark: dark } }]),
      ) as Record<keyof typeof COLORS, { readonly value: { readonly _light: string; readonly _dark: string } }>,
    },
  },
});

export const system = createSystem(defaultBaseConfig, config);
