import type { ClueCode } from "@keel-round/core/guide";
import { memo, type ReactNode } from "react";
import { Circle, G, Line, Path, Rect, Svg } from "@/kit/elements";

/** A stroke of a picture. */
const Stroke = ({ d, c = "ink", w = 2, dash }: { d: string; c?: string; w?: number; dash?: string }) => (
  <Path d={d} fill="none" stroke={c} strokeWidth={w} strokeLinecap="round" strokeDasharray={dash} />
);
const Dots = ({
  at,
  r = 1.6,
  c = "ink",
  open = false,
}: {
  at: readonly (readonly [number, number])[];
  r?: number;
  c?: string;
  open?: boolean;
}) => (
  <>
    {at.map(([x, y]) => (
      <Circle
        key={`${x} ${y}`}
        cx={x}
        cy={y}
        r={r}
        fill={open ? "none" : c}
        stroke={open ? c : "none"}
        strokeWidth={1.5}
      />
    ))}
  </>
);
const Fish = ({
  x,
  y,
  flip = 1,
  turned = false,
  c = "ink",
}: {
  x: number;
  y: number;
  flip?: number;
  turned?: boolean;
  c?: string;
}) => (
  <G transform={`translate(${x} ${y}) scale(${flip} 1)${turned ? " rotate(180)" : ""}`}>
    <Path
      d="M-12 0 Q-3 -8 8 0 Q-3 8 -12 0 M8 0 L15 -5 L15 5 Z"
      fill="none"
      stroke={c}
      strokeWidth={2}
      strokeLinejoin="round"
    />
    <Circle cx={-7} cy={-1} r={1.2} fill={c} />
  </G>
);
const Rock = () => <Path d="M34 54 L44 38 L70 36 L84 54 Z" fill="rock" />;
const Bell = ({ x, y }: { x: number; y: number }) => (
  <G transform={`translate(${x} ${y})`}>
    <Path d="M-10 2 Q0 -14 10 2 Z" fill="none" stroke="coralline" strokeWidth={2} />
    <Stroke d="M-6 4 Q-8 9 -5 13 M0 4 Q2 9 -1 14 M6 4 Q8 9 5 13" c="coralline" w={1.5} />
  </G>
);
const Arrow = ({ d }: { d: string }) => <Stroke d={d} c="ink" w={2} />;

/** What stands in the tank of each picture. */
const INSIDE: Partial<Record<ClueCode, ReactNode>> = {
  "slime-sheets": (
    <Path d="M20 54 Q34 44 52 52 Q68 56 82 34 Q92 24 98 30 Q86 36 88 54 Z" fill="coralline" opacity={0.85} />
  ),
  "hairy-tufts": (
    <>
      <Rock />
      <Stroke
        c="#4F7A28"
        w={2.5}
        d="M44 38 Q40 28 43 22 M50 37 Q48 27 52 20 M58 36 Q56 26 60 19 M65 36 Q66 27 70 21 M72 38 Q74 30 78 25"
      />
    </>
  ),
  "bubble-strings": (
    <>
      <Rock />
      <Stroke c="#7A6430" d="M46 38 Q43 28 46 20 M58 36 Q61 26 57 16 M70 37 Q68 28 72 20" />
      <Dots
        c="#7A6430"
        open
        r={3}
        at={[
          [46, 16],
          [57, 12],
          [72, 16],
          [46, 28],
          [70, 30],
        ]}
      />
    </>
  ),
  "brown-dust": (
    <Path d="M10 52 Q60 44 110 52 L110 58 L10 58 Z M11 20 L16 20 L16 52 L11 52 Z" fill="#8A6A35" opacity={0.75} />
  ),
  "green-glass": (
    <Path d="M14 16 L44 16 L38 58 L14 58 Z M76 20 L106 16 L106 58 L82 58 Z" fill="#5B8A3A" opacity={0.5} />
  ),
  "dark-tufts": (
    <>
      <Stroke d="M30 54 Q50 30 92 26" c="rock" w={7} />
      <Stroke
        w={1.5}
        d="M46 38 l-6 -7 M46 38 l-1 -9 M46 38 l5 -7 M66 31 l-6 -7 M66 31 l0 -9 M66 31 l6 -7 M84 27 l-5 -7 M84 27 l1 -8 M84 27 l6 -6"
      />
    </>
  ),
  "weak-jet": (
    <>
      <Rect x={10} y={22} width={22} height={9} fill="ink" />
      <Stroke c="water" w={3} d="M34 27 Q48 27 50 42" />
      <Stroke dash="5 4" c="soft" d="M52 26 L96 26 M90 21 L97 26 L90 31" />
    </>
  ),
  "silt-on-bed": (
    <>
      <Path d="M10 50 Q40 42 64 47 Q88 50 110 43 L110 58 L10 58 Z" fill="#8A7448" />
      <Dots
        c="#8A7448"
        at={[
          [28, 36],
          [44, 30],
          [58, 38],
          [76, 28],
          [90, 36],
        ]}
      />
    </>
  ),
  "milky-water": (
    <>
      <Rect x={10} y={12} width={100} height={46} fill="#EDEBE4" opacity={0.92} />
      <G opacity={0.35}>
        <Fish x={60} y={34} c="#17231E" />
      </G>
    </>
  ),
  "green-water": (
    <>
      <Rect x={10} y={12} width={100} height={46} fill="#6B9A3E" opacity={0.55} />
      <Fish x={60} y={34} />
    </>
  ),
  "yellow-water": (
    <>
      <Rect x={10} y={12} width={100} height={46} fill="#C9A227" opacity={0.45} />
      <Fish x={60} y={34} />
    </>
  ),
  "fine-bubbles": (
    <Dots
      open
      r={1.8}
      c="water"
      at={[
        [20, 24],
        [32, 40],
        [40, 20],
        [48, 48],
        [56, 30],
        [64, 18],
        [70, 44],
        [80, 28],
        [88, 50],
        [96, 20],
        [100, 38],
        [26, 52],
      ]}
    />
  ),
  "surface-film": <Stroke c="ochre" w={4} d="M10 13 Q22 10 34 13 T58 13 T82 13 T110 13" />,
  "gasping-fish": (
    <>
      <G transform="translate(44 24) rotate(50)">
        <Fish x={0} y={0} />
      </G>
      <G transform="translate(80 24) rotate(50)">
        <Fish x={0} y={0} />
      </G>
      <Stroke c="water" d="M30 12 q6 -5 12 0 M66 12 q6 -5 12 0" />
    </>
  ),
  "spotted-fish": (
    <>
      <G transform="translate(60 34) scale(2)">
        <Fish x={0} y={0} />
      </G>
      <Dots
        c="vermilion"
        r={2.2}
        at={[
          [50, 30],
          [58, 38],
          [64, 29],
          [56, 26],
          [68, 35],
        ]}
      />
    </>
  ),
  "dead-animal": (
    <>
      <Fish x={60} y={17} turned c="vermilion" />
      <Stroke dash="3 4" c="soft" d="M60 26 L60 50" />
    </>
  ),
  "missing-animal": (
    <>
      <Fish x={34} y={30} />
      <G opacity={0.8}>
        <Stroke dash="3 3" c="soft" d="M66 30 Q76 20 88 30 Q76 40 66 30 M88 30 L95 25 L95 35 Z" />
      </G>
    </>
  ),
  "jelly-sinks": (
    <>
      <Bell x={40} y={44} />
      <Bell x={74} y={42} />
      <Arrow d="M58 18 L58 30 M53 26 L58 32 L63 26" />
    </>
  ),
  "jelly-floats": (
    <>
      <Bell x={40} y={22} />
      <Bell x={76} y={22} />
      <Arrow d="M58 52 L58 40 M53 44 L58 38 L63 44" />
    </>
  ),
  "corals-closed": (
    <>
      <Path d="M36 56 Q34 40 44 40 Q52 40 50 56 Z M68 56 Q66 38 78 38 Q88 40 84 56 Z" fill="coralline" />
      <Stroke c="coralline" d="M41 39 q3 -5 6 0 M73 37 q4 -5 9 0" />
    </>
  ),
  "snails-dying": (
    <>
      <Path d="M34 52 a12 12 0 1 1 24 0 Z" fill="none" stroke="ink" strokeWidth={2} transform="rotate(180 46 50)" />
      <Stroke d="M42 44 q4 -6 8 0" />
      <Path d="M70 52 a9 9 0 1 1 18 0 Z" fill="none" stroke="ink" strokeWidth={2} transform="rotate(160 79 50)" />
    </>
  ),
  "water-warm": <Thermometer high />,
  "water-cold": <Thermometer />,
  "level-low": <Stroke dash="5 4" c="ink" d="M10 14 L110 14" />,
  "level-high": (
    <>
      <Rect x={10} y={4} width={100} height={10} fill="waterPale" />
      <Stroke dash="5 4" c="ink" d="M10 14 L110 14" />
      <Arrow d="M60 12 L60 4 M56 8 L60 3 L64 8" />
    </>
  ),
  "wet-floor": <Path d="M2 62 Q30 57 60 61 Q92 65 118 60 L118 66 L2 66 Z" fill="water" />,
  "no-power": (
    <>
      <Rect x={44} y={22} width={32} height={26} fill="sheet" stroke="ink" strokeWidth={2} />
      <Dots
        at={[
          [54, 35],
          [66, 35],
        ]}
        r={2.5}
      />
      <Stroke c="vermilion" w={3} d="M38 52 L82 18" />
    </>
  ),
  "skimmer-over": (
    <>
      <Rect x={48} y={26} width={24} height={32} fill="sheet" stroke="ink" strokeWidth={2} />
      <Dots
        open
        r={3.2}
        c="soft"
        at={[
          [50, 22],
          [58, 18],
          [66, 21],
          [74, 24],
          [44, 28],
          [77, 32],
          [42, 36],
        ]}
      />
    </>
  ),
  "grinding-noise": (
    <>
      <Rect x={30} y={28} width={26} height={22} fill="ink" />
      <Stroke c="vermilion" w={2.5} d="M66 30 q6 8 0 18 M76 26 q9 12 0 26 M86 22 q12 16 0 34" />
    </>
  ),
  "gurgling-noise": (
    <>
      <Stroke w={3} d="M46 14 L46 44 Q46 52 54 52 L84 52" />
      <Dots
        open
        r={3}
        c="water"
        at={[
          [46, 24],
          [46, 34],
          [58, 48],
          [70, 48],
        ]}
      />
      <Stroke c="vermilion" w={2.5} d="M92 44 q6 7 0 15 M100 40 q9 11 0 22" />
    </>
  ),
};

function Thermometer({ high = false }: { high?: boolean }) {
  return (
    <>
      <Rect x={54} y={16} width={12} height={32} rx={6} fill="sheet" stroke="ink" strokeWidth={2} />
      <Circle cx={60} cy={50} r={8} fill={high ? "vermilion" : "water"} />
      <Rect x={57} y={high ? 20 : 38} width={6} height={high ? 28 : 10} fill={high ? "vermilion" : "water"} />
    </>
  );
}

/** Where the water stands, from the picture's top. */
const LEVEL: Partial<Record<ClueCode, number>> = { "level-low": 32, "level-high": 14 };

/** A small tank that shows what is meant, in our own lines. */
export const LookPicture = memo(function LookPicture({ clue }: { clue: ClueCode }) {
  const top = LEVEL[clue] ?? 12;
  return (
    <Svg viewBox="0 0 120 68" w="100%" aria-hidden="true" display="block">
      <Rect x={10} y={top} width={100} height={58 - top} fill="waterPale" />
      <Rect x={10} y={52} width={100} height={6} fill="bed" />
      {INSIDE[clue]}
      <Path d="M10 6 L10 58 L110 58 L110 6" fill="none" stroke="ink" strokeWidth={2.5} />
      {clue === "wet-floor" && <Line x1={104} y1={40} x2={112} y2={60} stroke="water" strokeWidth={3} />}
    </Svg>
  );
});
