import type { ReactNode } from "react";

/** A bowl seen from the side with its mass in it: what lies in the bowl is drawn above. */
function InBowl({ mass = "#6b4632", children }: { mass?: string; children?: ReactNode }) {
  return (
    <>
      <path d="M6 22 Q8 62 48 62 Q88 62 90 22 Z" fill={mass} />
      {children}
      <path d="M4 20 Q7 65 48 65 Q89 65 92 20" fill="none" stroke="#8b92a0" strokeWidth="2.5" />
    </>
  );
}

/** A slab from the front, its upper face in light. */
function Slab({ mass = "#6b4632", children }: { mass?: string; children?: ReactNode }) {
  return (
    <>
      <path d="M8 30 L24 18 H88 L72 30 Z" fill={mass} opacity="0.75" />
      <path d="M8 30 H72 V58 H8 Z" fill={mass} />
      <path d="M72 30 L88 18 V46 L72 58 Z" fill={mass} opacity="0.88" />
      {children}
    </>
  );
}

/** A moulded piece, cut through or whole. */
function Shell({ mass = "#5a3826", children }: { mass?: string; children?: ReactNode }) {
  return (
    <>
      <path d="M12 58 Q14 14 48 14 Q82 14 84 58 Z" fill={mass} />
      {children}
    </>
  );
}

const dots = (places: readonly (readonly [number, number])[], r: number, fill: string) =>
  places.map(([x, y]) => <circle key={`${x}-${y}`} cx={x} cy={y} r={r} fill={fill} />);

const GRAINS = [
  [20, 34], [30, 42], [40, 32], [50, 46], [60, 36], [70, 44], [78, 32], [34, 52], [58, 54], [46, 38], [26, 28], [66, 28],
] as const; // biome-ignore format: places of grains, read as a row

const LIGHT = "#f2d9a6";
const OIL = "#e9b949";
const PALE = "#d8c3b0";
const GREY = "#c9c3bd";

const DRAWN: Record<string, ReactNode> = {
  curdled: (
    <InBowl mass="#c9a98c">
      {dots(
        [
          [20, 34],
          [33, 40],
          [47, 33],
          [61, 41],
          [75, 34],
          [40, 51],
          [56, 52],
        ],
        6,
        "#6b4632",
      )}
    </InBowl>
  ),
  grainy: <InBowl>{dots(GRAINS, 1.9, LIGHT)}</InBowl>,
  gritty: (
    <Slab mass="#b98a5a">
      {dots(
        [
          [16, 36],
          [26, 44],
          [36, 38],
          [46, 50],
          [56, 40],
          [64, 52],
          [22, 54],
          [40, 46],
          [52, 34],
        ],
        1.7,
        "#fff4d2",
      )}
      <path d="M30 22 l4 3 M50 22 l3 3 M66 23 l4 2" stroke="#fff4d2" strokeWidth="2" />
    </Slab>
  ),
  oily: (
    <InBowl>
      <ellipse cx="34" cy="27" rx="13" ry="4" fill={OIL} />
      <ellipse cx="62" cy="30" rx="10" ry="3.4" fill={OIL} />
      <ellipse cx="50" cy="24" rx="6" ry="2.4" fill={OIL} />
    </InBowl>
  ),
  split: (
    <InBowl>
      <path d="M6 22 Q6.5 32 10 40 Q48 34 86 40 Q89.500 32 90 22 Z" fill={OIL} />
      <path d="M12 43 q8 4 16 0 t16 0 t16 0 t16 0 t10 0" fill="none" stroke="#4a2f20" strokeWidth="2.5" />
    </InBowl>
  ),
  seized: (
    <InBowl mass="#f4f5f1">
      <path
        d="M14 54 L20 36 L32 40 L38 28 L50 36 L60 26 L68 38 L80 34 L84 52 Q48 66 14 54 Z"
        fill="#5a3826"
      />
      <path d="M24 44 l8 4 M44 40 l7 6 M62 42 l8 3" stroke="#3a2418" strokeWidth="2" />
    </InBowl>
  ),
  lumpy: (
    <InBowl>
      {dots(
        [
          [24, 30],
          [46, 36],
          [68, 30],
          [36, 48],
          [60, 48],
        ],
        6.5,
        "#3f2818",
      )}
    </InBowl>
  ),
  scorched: (
    <InBowl mass="#a87b4f">
      {dots(
        [
          [24, 40],
          [40, 50],
          [56, 46],
          [70, 38],
          [48, 34],
        ],
        3,
        "#20140c",
      )}
      <path
        d="M34 16 q-5 -5 0 -10 M50 16 q-5 -5 0 -10 M66 16 q-5 -5 0 -10"
        fill="none"
        stroke="#555d6e"
        strokeWidth="2.500"
      />
    </InBowl>
  ),
  "foamed-over": (
    <>
      <path d="M18 26 V62 H78 V26" fill="#b98a5a" stroke="#8b92a0" strokeWidth="2.500" />
      {dots(
        [
          [20, 22],
          [32, 16],
          [45, 14],
          [58, 15],
          [70, 18],
          [80, 26],
          [84, 40],
          [83, 54],
          [14, 34],
        ],
        8,
        "#f2e3cf",
      )}
      {dots(
        [
          [26, 25],
          [40, 22],
          [54, 22],
          [66, 25],
        ],
        7,
        "#fbf3e6",
      )}
    </>
  ),
  "too-soft": (
    <>
      <path d="M4 60 Q14 34 40 34 Q64 34 76 48 Q86 56 94 60 Z" fill="#6b4632" />
      <path d="M76 48 Q88 52 94 60" fill="none" stroke="#4a2f20" strokeWidth="2" />
      <path d="M30 34 L34 12 M38 34 L42 12" stroke="#8b92a0" strokeWidth="3" />
    </>
  ),
  "too-firm": (
    <Slab>
      <path d="M40 6 L52 28" stroke="#8b92a0" strokeWidth="5" strokeLinecap="round" />
      <path d="M46 30 l12 2 M34 31 l-8 2" stroke="#2b1a10" strokeWidth="2" />
    </Slab>
  ),
  crumbly: (
    <>
      <path d="M8 32 H50 L46 42 L54 48 L48 58 H8 Z" fill="#b98a5a" />
      {dots(
        [
          [62, 56],
          [70, 50],
          [78, 58],
          [86, 54],
          [66, 44],
        ],
        4.5,
        "#b98a5a",
      )}
      {dots(
        [
          [58, 60],
          [74, 61],
          [90, 60],
          [81, 50],
        ],
        2.4,
        "#a2754a",
      )}
    </>
  ),
  sticky: (
    <>
      <path d="M10 60 Q48 44 86 60 Z" fill="#6b4632" />
      <path
        d="M38 52 Q40 34 38 14 M48 50 Q48 32 48 14 M58 52 Q56 34 58 14"
        fill="none"
        stroke="#6b4632"
        strokeWidth="3"
      />
      <path d="M30 14 q18 -12 36 0" fill="none" stroke="#8b92a0" strokeWidth="5" strokeLinecap="round" />
    </>
  ),
  cracked: (
    <Shell>
      <path d="M50 14 L44 26 L54 34 L46 46 L52 58" fill="none" stroke={LIGHT} strokeWidth="2.500" />
    </Shell>
  ),
  dull: (
    <Shell mass="#7d6a5e">
      <path d="M26 34 Q32 22 44 20" fill="none" stroke="#8f7e73" strokeWidth="4" strokeLinecap="round" />
    </Shell>
  ),
  streaked: (
    <Shell>
      <path
        d="M22 54 Q32 30 30 24 M38 58 Q50 34 46 16 M58 58 Q70 40 62 20 M74 56 Q80 46 76 36"
        fill="none"
        stroke={GREY}
        strokeWidth="3.500"
      />
    </Shell>
  ),
  "will-not-release": (
    <>
      <path
        d="M4 18 H92 V30 H82 Q80 58 48 58 Q16 58 14 30 H4 Z"
        fill="#d6d9d8"
        stroke="#8b92a0"
        strokeWidth="2"
      />
      <path d="M18 30 Q22 54 48 54 Q74 54 78 30 Z" fill="#5a3826" />
      <path d="M48 6 V22 M42 16 L48 23 L54 16" fill="none" stroke="#555d6e" strokeWidth="2.500" />
    </>
  ),
  leaking: (
    <Shell>
      <path d="M12 44 H84" stroke="#3f2818" strokeWidth="2" />
      <path d="M62 44 q6 8 2 16 q-6 3 -6 -4 Z" fill={OIL} />
      <ellipse cx="62" cy="62" rx="14" ry="2.600" fill={OIL} />
    </Shell>
  ),
  stringing: (
    <>
      <path d="M10 62 Q48 50 86 62 Z" fill="#5a3826" />
      <ellipse cx="48" cy="14" rx="16" ry="7" fill="#5a3826" />
      <path
        d="M40 20 Q42 40 38 56 M48 21 V56 M56 20 Q54 40 58 56"
        fill="none"
        stroke="#5a3826"
        strokeWidth="2.200"
      />
    </>
  ),
  smeared: (
    <Slab>
      <path d="M40 30 V58" stroke="#f4f5f1" strokeWidth="3" />
      <path
        d="M40 34 q10 3 16 1 M40 42 q12 5 20 2 M40 50 q9 4 15 2"
        fill="none"
        stroke={PALE}
        strokeWidth="2.500"
      />
    </Slab>
  ),
  weeping: (
    <Slab>
      {dots(
        [
          [28, 24],
          [42, 22],
          [58, 25],
          [72, 22],
          [50, 28],
        ],
        3,
        "#cfe3f5",
      )}
      {dots(
        [
          [18, 38],
          [34, 44],
          [56, 40],
        ],
        2.6,
        "#cfe3f5",
      )}
    </Slab>
  ),
  "gone-soft": (
    <Slab>
      <path
        d="M14 42 q8 -6 14 0 t14 0 M30 52 q8 -5 14 0 t14 0"
        fill="none"
        stroke="#d9b27c"
        strokeWidth="5"
        strokeLinecap="round"
      />
    </Slab>
  ),
  hollow: (
    <Shell>
      <path d="M22 58 Q24 24 48 24 Q72 24 74 58 Z" fill="#c99c6a" />
      <ellipse cx="48" cy="36" rx="13" ry="8" fill="#f4f5f1" />
    </Shell>
  ),
  spilled: (
    <>
      <path
        d="M30 14 L66 26 Q58 52 36 46 Q20 40 30 14 Z"
        fill="#f4f5f1"
        stroke="#8b92a0"
        strokeWidth="2.500"
      />
      <path d="M44 46 Q70 50 92 60 Q60 66 30 60 Q34 52 44 46 Z" fill="#6b4632" />
    </>
  ),
  mouldy: (
    <Slab>
      {dots(
        [
          [32, 24],
          [38, 22],
          [36, 28],
          [64, 25],
          [60, 22],
        ],
        4.5,
        "#8fae9a",
      )}
      {dots(
        [
          [24, 42],
          [50, 46],
        ],
        4,
        "#b9cdbf",
      )}
    </Slab>
  ),
  "smells-off": (
    <Slab>
      <path
        d="M30 14 q-6 -5 0 -9 M46 14 q-6 -5 0 -9 M62 14 q-6 -5 0 -9"
        fill="none"
        stroke="#6c7b3a"
        strokeWidth="3"
      />
    </Slab>
  ),
  "foreign-body": (
    <InBowl>
      <path d="M42 18 L58 30 L50 44 Z" fill="#dff0fa" stroke="#555d6e" strokeWidth="1.500" />
    </InBowl>
  ),
};

/** A sign as it looks: a small drawn bowl, slab or shell. Its word stands beside it. */
export function SignDrawing({ sign }: { sign: string }) {
  return (
    <svg viewBox="0 0 96 70" className="h-[4.375rem] w-24 shrink-0" aria-hidden="true">
      {DRAWN[sign]}
    </svg>
  );
}
