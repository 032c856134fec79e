import { C } from './palette';

/** A piece of cloth in section, as thick as its loft: skin side below, weather side above. */
export function ClothSwatch({
  thicknessMm,
  airPermeability,
  openMesh,
  filled,
  membrane,
  width = 92,
}: {
  thicknessMm: number;
  airPermeability: number;
  openMesh: number;
  filled: boolean;
  membrane: boolean;
  width?: number;
}) {
  const height = 26;
  // Square root: a shell stays visible beside a parka.
  const t = Math.min(height - 3, 2.5 + 3.6 * Math.sqrt(thicknessMm));
  const y = height - t;
  const face =
    membrane || airPermeability < 15
      ? undefined
      : airPermeability < 120
        ? '7 2'
        : airPermeability < 1000
          ? '3 2.5'
          : '1 3';
  const fill =
    openMesh > 0 ? 'url(#sw-mesh)' : filled ? 'url(#sw-loft)' : thicknessMm > 1.6 ? 'url(#sw-weave)' : C.worn;
  return (
    <svg width={width} height={height} role="img" aria-label={`${thicknessMm} mm thick`}>
      <defs>
        <pattern id="sw-mesh" width="7" height="7" patternUnits="userSpaceOnUse">
          <circle cx="3.500" cy="3.500" r="2.200" fill="none" stroke={C.ink3} strokeWidth="0.9" />
        </pattern>
        <pattern id="sw-loft" width="15" height="24" patternUnits="userSpaceOnUse">
          <path d="M0 0V24" stroke={C.ink3} strokeWidth="0.8" />
          <path d="M3 6q4-4 8 0M3 14q4-4 8 0M3 21q4-4 8 0" fill="none" stroke="var(--color-heat-3)" strokeWidth="0.8" />
        </pattern>
        <pattern id="sw-weave" width="6" height="5" patternUnits="userSpaceOnUse">
          <path d="M0 2.500q1.500-2 3 0t3 0" fill="none" stroke={C.ink3} strokeWidth="0.7" />
        </pattern>
      </defs>
      <rect x="0" y={y} width={width} height={t} fill="var(--color-heat-0)" />
      <rect x="0" y={y} width={width} height={t} fill={fill} />
      <line x1="0" x2={width} y1={y} y2={y} stroke={C.ink} strokeWidth="2" strokeDasharray={face} />
      <line x1="0" x2={width} y1={height - 0.5} y2={height - 0.5} stroke="var(--color-heat-4)" strokeWidth="1.200" />
    </svg>
  );
}
