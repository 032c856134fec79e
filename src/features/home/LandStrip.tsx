import { effortColour, C } from '@/ui/draw/palette';
import { areaPath, linear, linePath } from '@/ui/draw/scale';
import type { HomeLine } from './lines';

/** The land of an outing in small: height over time, coloured by body heat. */
export function LandStrip({ line, width = 168, height = 40 }: { line: HomeLine; width?: number; height?: number }) {
  if (line.land.length < 2) return <svg width={width} height={height} aria-hidden="true" />;
  const low = Math.min(...line.land.map((p) => p.eleM));
  const high = Math.max(low + 120, ...line.land.map((p) => p.eleM));
  const x = linear(0, line.seconds, 0.5, width - 0.5);
  const y = linear(low, high, height - 9, 3);
  const xs = [0.5, ...line.land.map((p) => x(p.t)), width - 0.5];
  const first = y(line.land[0].eleM);
  const last = y(line.land[line.land.length - 1].eleM);
  const ys = [first, ...line.land.map((p) => y(p.eleM)), last];
  const hour = line.seconds > 4 * 3600 ? 7200 : line.seconds > 5400 ? 3600 : 1800;
  const ticks = Array.from({ length: Math.floor(line.seconds / hour) }, (_, i) => x((i + 1) * hour));
  const area = areaPath(
    xs,
    ys,
    xs.map(() => height - 1),
  );
  const bands = line.land.map((p, i) => ({
    from: i === 0 ? 0 : (x(line.land[i - 1].t) + x(p.t)) / 2,
    to: i === line.land.length - 1 ? width : (x(p.t) + x(line.land[i + 1].t)) / 2,
    fill: effortColour(p.metabolicW),
  }));
  return (
    <svg width={width} height={height} role="img" aria-label={`Land: ${Math.round(low)} to ${Math.round(high)} m`}>
      <clipPath id={`strip-${line.id}`}>
        <path d={area} />
      </clipPath>
      <g clipPath={`url(#strip-${line.id})`}>
        {bands.map((b, i) => (
          <rect key={i} x={b.from} y={0} width={b.to - b.from + 0.5} height={height} fill={b.fill} />
        ))}
      </g>
      <path d={linePath(xs, ys)} fill="none" stroke={C.ink} strokeWidth="1.4" />
      <path d={`M0 ${height - 0.5}H${width}`} stroke={C.ink} />
      {ticks.map((t) => (
        <path key={t} d={`M${t} ${height - 5}v4.500`} stroke={C.ink} />
      ))}
    </svg>
  );
}
