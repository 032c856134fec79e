import { C } from './palette';

/** The pattern language, once per drawing: water in four densities, frost, teeth, too cold, pack. Never colour alone. */
export function Patterns() {
  const gaps = [9, 6, 4.2, 2.9];
  return (
    <defs>
      {gaps.map((gap, i) => (
        <pattern
          key={gap}
          id={`water-${i + 1}`}
          width={gap}
          height={gap}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width={gap} height={gap} fill={C.water} opacity={[0.06, 0.13, 0.22, 0.36][i]} />
          <line x1="0" y1="0" x2="0" y2={gap} stroke={C.water} strokeWidth={[0.9, 1, 1.1, 1.3][i]} />
        </pattern>
      ))}
      <pattern id="frost" width="6" height="5" patternUnits="userSpaceOnUse">
        <circle cx="1.3" cy="1.2" r="0.75" fill={C.frost} />
        <circle cx="4.3" cy="3.7" r="0.75" fill={C.frost} />
      </pattern>
      <pattern id="teeth-part" width="10" height="4" patternUnits="userSpaceOnUse">
        <line x1="5" y1="0" x2="5" y2="4" stroke={C.ink} strokeWidth="1.2" />
      </pattern>
      <pattern id="teeth-open" width="4.5" height="5" patternUnits="userSpaceOnUse">
        <line x1="2" y1="0" x2="2" y2="5" stroke={C.ink} strokeWidth="1.2" />
      </pattern>
      <pattern id="too-cold" width="8" height="3" patternUnits="userSpaceOnUse">
        <rect width="8" height="3" fill={C.cold} opacity="0.14" />
        <line x1="0" y1="1.5" x2="8" y2="1.5" stroke={C.cold} strokeWidth="1" />
      </pattern>
      <pattern id="weave" width="7" height="8" patternUnits="userSpaceOnUse">
        <path d="M0 4q1.75-3 3.5 0t3.5 0" fill="none" stroke={C.ink2} strokeWidth="0.8" />
      </pattern>
      <pattern id="mesh" width="8" height="9" patternUnits="userSpaceOnUse">
        <circle cx="4" cy="4.5" r="2.6" fill={C.sheet} stroke={C.ink2} strokeWidth="0.9" />
      </pattern>
      <pattern id="loft" width="16" height="13" patternUnits="userSpaceOnUse">
        <rect x="0.8" y="1" width="14.4" height="11" rx="5.5" fill="none" stroke={C.ink2} strokeWidth="0.9" />
      </pattern>
      <linearGradient id="warm" x1="0" y1="0" x2="0" y2="1">
        <stop offset="0" stopColor="var(--color-heat-3)" />
        <stop offset="0.55" stopColor="var(--color-heat-2)" />
        <stop offset="1" stopColor="var(--color-heat-0)" />
      </linearGradient>
    </defs>
  );
}
