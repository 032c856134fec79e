/** The house's look for plain charts, from the same tokens as everything else. Patterns beside colour: never colour alone. */
export interface Tokens {
  ink: string;
  ink2: string;
  ink3: string;
  grid: string;
  sheet: string;
  act: string;
  cold: string;
  water: string;
  worn: string;
  heat: string[];
}

const NAMES: Record<Exclude<keyof Tokens, 'heat'>, string> = {
  ink: 'ink',
  ink2: 'ink-2',
  ink3: 'ink-3',
  grid: 'grid',
  sheet: 'sheet',
  act: 'act',
  cold: 'cold',
  water: 'water',
  worn: 'worn',
};

/** Reads the tokens as the page has them now: each is a pair of colours, of which the theme takes one. */
export function tokens(): Tokens {
  const probe = document.documentElement.appendChild(document.createElement('span'));
  const of = (name: string) => {
    probe.style.color = `var(--color-${name})`;
    return getComputedStyle(probe).color;
  };
  const read = {
    ...(Object.fromEntries(Object.entries(NAMES).map(([k, v]) => [k, of(v)])) as Omit<Tokens, 'heat'>),
    heat: [0, 1, 2, 3, 4].map((i) => of(`heat-${i}`)),
  };
  probe.remove();
  return read;
}

const MEASURE = "'Archivo Variable', Archivo, 'Helvetica Neue', Arial, sans-serif";

/** Axes, text and tooltip of every chart. */
export const houseStyle = (t: Tokens) => ({
  textStyle: { fontFamily: MEASURE, color: t.ink, fontSize: 12 },
  animation: false,
  // The page names the chart in its own words; the library would put a list of numbers in their place.
  aria: { enabled: true, label: { enabled: false }, decal: { show: false } },
  tooltip: {
    backgroundColor: t.sheet,
    borderColor: t.ink,
    borderWidth: 1,
    borderRadius: 0,
    padding: [5, 8],
    textStyle: { color: t.ink, fontSize: 12, fontFamily: MEASURE },
    extraCssText: 'box-shadow:none',
    confine: true,
  },
});

/** A minus sign, not a hyphen. */
const minus = (v: number | string): string => String(v).replace('-', '−');

export const axisStyle = (t: Tokens) => ({
  axisLine: { lineStyle: { color: t.ink } },
  axisTick: { lineStyle: { color: t.ink } },
  axisLabel: { color: t.ink2, fontSize: 11.5, fontFamily: MEASURE, formatter: minus },
  nameTextStyle: { color: t.ink3, fontSize: 11.5, fontFamily: MEASURE },
  splitLine: { lineStyle: { color: t.grid } },
});

/** Ruling for what is unsafe: act colour with a pattern, so that it shows without colour. */
export const unsafeStyle = (t: Tokens) => ({
  color: t.act,
  decal: { symbol: 'line', dashArrayX: [1, 0], dashArrayY: [3, 3], rotation: Math.PI / 4, color: t.sheet },
});
