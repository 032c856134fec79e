import { ZONE_COUNT, zoneIndex, type Zone } from '@/core/body/zones';
import { panelOver, type Garment } from '@/core/clothing/garment';
import { holdsLiquid, sorbs } from '@/core/clothing/garmentArrays';
import { wetShare } from '@/core/moisture/beyondDry';
import type { Scored } from '@/core/judge/scorePlan';
import { degrees, type Units } from '@/formats/measures';
import { C } from '@/ui/draw/palette';
import { wetLevel } from './laneSegments';
import { fit, linear, linePath } from '@/ui/draw/scale';

interface Props {
  scored: Scored;
  garments: ReadonlyMap<string, Garment>;
  zone: Zone;
  row: number;
  airC: number;
  units: Units;
}

/** A cut from skin to open air at one moment: temperatures, and water and frost in every layer of one zone. */
export function Section({ scored, garments, zone, row, airC, units }: Props) {
  const width = 300;
  const s = scored.series;
  const z = zoneIndex(zone);
  const layers = scored.garmentIds
    .map((id, index) => ({ g: garments.get(id)!, index }))
    .filter(({ g, index }) => s.worn[row * s.garments + index] && (panelOver(g, zone)?.coverage ?? 0) >= 0.1)
    .sort((a, b) => a.g.order - b.g.order);
  const skinC = s.skinC[row * ZONE_COUNT + z];
  const skinWidth = 34;
  const airWidth = 56;
  const room = width - skinWidth - airWidth;
  const weights = layers.map(({ g }) => 1.1 + Math.sqrt(panelOver(g, zone)?.thicknessMm ?? g.thicknessMm));
  const sum = weights.reduce((a, b) => a + b, 0) || 1;
  const bounds = weights.reduce<number[]>((acc, w) => [...acc, acc[acc.length - 1] + (w / sum) * room], [skinWidth]);
  const at = (index: number, values: Float64Array) => values[(row * s.garments + index) * ZONE_COUNT + z];
  const temps = layers.map(({ index }) => at(index, s.garmentC));
  const high = Math.max(36, skinC);
  const low = Math.min(airC, 0) - 2;
  const y = linear(low, high, 96, 22);
  const points: [number, number][] = [
    [skinWidth, skinC],
    ...layers.map((_, i): [number, number] => [(bounds[i] + bounds[i + 1]) / 2, temps[i]]),
    [width - airWidth * (layers.length ? 0.55 : 0.8), airC],
    [width, airC],
  ];
  const zero = y(0);
  // The name of the line stands in the air, or by the skin where the air's own number is in the way.
  const crowded = Math.abs(y(airC) - zero) < 16;
  return (
    <svg width="100%" viewBox={`0 0 ${width} 166`} role="img" aria-label={`Section through the ${zone} at this moment`}>
      <rect x={0.5} y={16} width={width - 1} height={84} fill={C.sheet} stroke={C.ink} />
      <path
        d={`${linePath(
          points.map((p) => p[0]),
          points.map((p) => y(p[1])),
        )}V99H${skinWidth}Z`}
        fill="url(#warm)"
        opacity="0.85"
      />
      <rect x={1} y={16.5} width={skinWidth - 1} height={83} fill="var(--color-heat-3)" />
      {zero > 18 && zero < 98 && (
        <g>
          <line x1={skinWidth} x2={width} y1={zero} y2={zero} stroke={C.cold} strokeDasharray="5 3" />
          <text
            x={crowded ? skinWidth + 4 : width - 4}
            y={zero - 3}
            fontSize="11"
            textAnchor={crowded ? 'start' : 'end'}
            style={{ fill: C.cold, paintOrder: 'stroke', stroke: C.sheet, strokeWidth: 2.5 }}
          >
            {units === 'metric' ? '0 °C' : '32 °F'}
          </text>
        </g>
      )}
      {bounds.map((b, i) => (
        <line key={i} x1={b} x2={b} y1={16} y2={134} stroke={C.ink} strokeWidth={i === 0 ? 2 : 0.9} />
      ))}
      <text x={4} y={11} fontSize="11">
        skin
      </text>
      <text x={width - 4} y={11} fontSize="11" textAnchor="end">
        air
      </text>
      {layers.map(({ g }, i) => (
        <text
          key={g.id}
          x={(bounds[i] + bounds[i + 1]) / 2}
          y={11}
          fontSize="11"
          textAnchor="middle"
          style={{ fontStretch: '78%' }}
        >
          <title>{g.name}</title>
          {fit(g.name.split(/[ ,]/)[0].length > 3 ? g.name.split(',')[0] : g.name, bounds[i + 1] - bounds[i], 5)}
        </text>
      ))}
      <path
        d={linePath(
          points.map((p) => p[0]),
          points.map((p) => y(p[1])),
        )}
        fill="none"
        stroke={C.ink}
        strokeWidth="1.800"
      />
      {points.slice(0, -1).map(([px, t], i) => (
        <g key={i}>
          <circle cx={px} cy={y(t)} r="3" fill={C.sheet} stroke={C.ink} strokeWidth="1.400" />
          <text
            x={px + (i === 0 ? -4 : 5)}
            y={y(t) - 5}
            fontSize="11.500"
            fontWeight="700"
            textAnchor={i === 0 ? 'end' : 'start'}
            style={{ paintOrder: 'stroke', stroke: i === 0 ? 'none' : C.sheet, strokeWidth: 2.5 }}
          >
            {degrees(t, units)}
          </text>
        </g>
      ))}
      <rect x={0.5} y={100} width={width - 1} height={34} fill={C.sheet} stroke={C.ink} />
      <rect x={1} y={100.5} width={skinWidth - 1} height={33} fill="var(--color-heat-3)" />
      {layers.map(({ g, index }, i) => {
        const liquid = at(index, s.waterGm2);
        const frost = at(index, s.frostGm2);
        const weight = panelOver(g, zone)?.weightGm2 ?? g.weightGm2;
        const share = wetShare(liquid, sorbs(g, weight), holdsLiquid(g, weight));
        const cloth = g.openMesh > 0 ? 'mesh' : g.filled ? 'loft' : 'weave';
        return (
          <g key={g.id}>
            <rect x={bounds[i]} y={100.5} width={bounds[i + 1] - bounds[i]} height={33} fill={`url(#${cloth})`} />
            {wetLevel(share) > 0 && (
              <rect
                x={bounds[i]}
                y={100.5}
                width={bounds[i + 1] - bounds[i]}
                height={33}
                fill={`url(#water-${wetLevel(share)})`}
              />
            )}
            {frost > 0.5 && (
              <rect x={bounds[i]} y={100.5} width={bounds[i + 1] - bounds[i]} height={33} fill="url(#frost)" />
            )}
            <text
              x={(bounds[i] + bounds[i + 1]) / 2}
              y={147}
              fontSize="11"
              fontWeight="700"
              textAnchor="middle"
              style={{ fill: C.water }}
            >
              {(liquid - frost).toFixed(0)}
            </text>
            <text
              x={(bounds[i] + bounds[i + 1]) / 2}
              y={161}
              fontSize="11"
              textAnchor="middle"
              style={{ fill: C.frost }}
            >
              {frost.toFixed(0)}
            </text>
          </g>
        );
      })}
      {/* film on the skin */}
      <text x={2} y={147} fontSize="11" style={{ fill: C.water }}>
        water
      </text>
      <text x={2} y={161} fontSize="11" style={{ fill: C.frost }}>
        frost
      </text>
      <text x={width - 2} y={147} fontSize="11" textAnchor="end" style={{ fill: C.ink3 }}>
        g/m²
      </text>
    </svg>
  );
}
