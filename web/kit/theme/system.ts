import { createSystem, defaultBaseConfig, defineConfig } from "@chakra-ui/react";

const both = (light: string, dark: string) => ({ value: { _light: light, _dark: dark } });

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
    ".sr-only": { position: "absolute", width: "1px", height: "1px", overflow: "hidden", clipPath: "inset(50%)" },
    "button, input, select, textarea": { font: "inherit", color: "inherit" },
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
      colors: {
        ground: both("#F5F3EE", "#111815"),
        sheet: both("#FCFBF8", "#18211D"),
        ink: both("#17231E", "#E9E6DE"),
        soft: both("#54605A", "#AEB8B1"),
        faint: both("#66706A", "#8F9A93"),
        rule: both("#DAD6CC", "#2B3631"),
        ruleStrong: both("#C4BFB2", "#43504A"),
        coralline: both("#8A3A68", "#DE97BE"),
        corallineSolid: both("#8A3A68", "#A04A7B"),
        corallineWash: both("#F3E6EE", "#33212C"),
        water: both("#3C6490", "#86ABD3"),
        waterDeep: both("#3C6490", "#4A75A3"),
        waterMid: both("#6C8FB4", "#5E83AA"),
        waterPale: both("#C9D8E7", "#2C4259"),
        waterLeaving: both("#EAF0F6", "#1F2E3D"),
        ochre: both("#8A5A0E", "#E2B25F"),
        ochreWash: both("#F6EAD2", "#332A14"),
        vermilion: both("#AE3620", "#F39079"),
        vermilionWash: both("#F8E1DB", "#3B2019"),
        waste: both("#8C8272", "#A79D8C"),
        band: both("#E2E7DC", "#2A382F"),
        bed: both("#E3DCCB", "#4A4435"),
        rock: both("#B9AFA6", "#6D655D"),
      },
    },
  },
});

export const system = createSystem(defaultBaseConfig, config);
