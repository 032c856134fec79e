import { useState } from 'react';
import { zoneIndex, ZONE_COUNT, type Zone } from '@/core/body/zones';
import { feelsLikeC } from '@/core/outing/feelsLike';
import type { Garment } from '@/core/clothing/garment';
import { COST_WORDS, deciding, type CostParts } from '@/core/judge/cost';
import { sensationWord } from '@/core/judge/sensation';
import { LIMIT } from '@/core/judge/limits';
import { legAt, stretchAt } from '@/core/outing/moments';
import type { Timeline } from '@/core/outing/timeline';
import type { Scored } from '@/core/judge/scorePlan';
import { clock } from '@/formats/dates';
import { difference, grams, temperature, windSpeed, type Units } from '@/formats/measures';
import { Segments } from '@/ui/Segments';
import { BodyFigure } from '@/features/score/drawing/BodyFigure';
import { Section } from '@/features/score/drawing/Section';

interface Props {
  scored: Scored;
  garments: ReadonlyMap<string, Garment>;
  timeline: Timeline;
  cursorS: number;
  row: number;
  units: Units;
}

const ZONES: { label: string; zone: Zone }[] = [
  { label: 'Torso', zone: 'chest' },
  { label: 'Under pack', zone: 'underPack' },
  { label: 'Hands', zone: 'fingers' },
  { label: 'Feet', zone: 'toes' },
  { label: 'Head', zone: 'scalp' },
  { label: 'Legs', zone: 'thighs' },
];

/** Limits by zone for marking the figure. */
const COLD: Partial<Record<Zone, number>> = {
  fingers: LIMIT.fingerClumsy,
  toes: LIMIT.toeClumsy,
  hands: LIMIT.fingerClumsy,
  feet: LIMIT.toeClumsy,
  face: LIMIT.facePain,
};

/** The moment at the cursor: where and in what air, a section skin to air, the body by zone, one plain sentence. */
export function MomentPanel({ scored, garments, timeline, cursorS, row, units }: Props) {
  const [zone, setZone] = useState<Zone>('chest');
  // Without a pack anywhere there is nothing under one.
  const zones = timeline.stretches.some((s) => s.packOn) ? ZONES : ZONES.filter((z) => z.zone !== 'underPack');
  const leg = timeline.legs[legAt(timeline, cursorS)];
  const now = stretchAt(timeline, cursorS);
  const into = Math.max(0, cursorS - timeline.legStartS[timeline.legs.indexOf(leg)]);
  return (
    <aside aria-label="The moment" className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <span data-testid="moment-time" className="bg-ink px-2 py-1.5 text-[20px] leading-none font-bold text-sheet">
          {clock(cursorS)}
        </span>
        <p className="min-w-0 flex-1 leading-tight">
          <b className="block font-semibold break-words">
            {leg.name}, {Math.round(into / 60)} min in
          </b>
          {temperature(now.airC, units)}, wind on you {windSpeed(now.relativeWind, units)}, feels{' '}
          {temperature(feelsLikeC(now), units)}
        </p>
      </div>
      <section>
        <div className="flex flex-wrap items-center justify-between gap-x-2 border-t border-ink pt-1.5 pb-1">
          <h2 className="font-semibold">Skin to air</h2>
          <Segments
            label="Zone of the section"
            size="small"
            value={zone}
            options={zones.map((z) => ({ value: z.zone, label: z.label }))}
            onChange={setZone}
          />
        </div>
        <Section scored={scored} garments={garments} zone={zone} row={row} airC={now.airC} units={units} />
        <p className="speak min-h-[36px] text-[14px] leading-snug">
          {plainSentence(scored, garments, row, zone, units)}
        </p>
      </section>
      <section>
        <h2 className="flex justify-between border-t border-ink pt-1.5 font-semibold">
          Whole body <span className="text-[11px] font-normal text-ink-3">skin; hatched is wet, ruled too cold</span>
        </h2>
        <BodyFigure series={scored.series} row={row} units={units} cold={(z, c) => c < (COLD[z] ?? -99)} />
      </section>
      <CostBars cost={scored.cost} total={scored.total} />
    </aside>
  );
}

/** One sentence on what is happening to water and warmth here and now. */
function plainSentence(
  scored: Scored,
  garments: ReadonlyMap<string, Garment>,
  row: number,
  zone: Zone,
  units: Units,
): string {
  const s = scored.series;
  const before = Math.max(0, row - 5);
  const sweat = s.sweatGh[row];
  const gone = Math.max(0, s.evaporationGh[row]);
  const water = scored.metrics.waterG[row] - scored.metrics.waterG[before];
  const frost = scored.metrics.frostG[row] - scored.metrics.frostG[before];
  const skin = s.skinC[row * ZONE_COUNT + zoneIndex(zone)] - s.skinC[before * ZONE_COUNT + zoneIndex(zone)];
  const feel = sensationWord(scored.metrics.sensation[row]);
  const frozen = scored.garmentIds.map((id, g) => ({ id, f: sumFrost(scored, g, row) })).sort((a, b) => b.f - a.f)[0];
  const parts = [`You feel ${feel}.`];
  if (row - before >= 1 && Math.abs(skin) > 0.4)
    parts.push(
      `Skin here ${skin < 0 ? 'cools' : 'warms'} ${difference(Math.abs(skin / (row - before)), units)} a minute.`,
    );
  if (sweat > gone + 40)
    parts.push(`More sweat is made than carried off: ${grams(sweat - gone, units)} an hour stays.`);
  else if (water < -2) parts.push('Your clothes are drying.');
  else if (sweat < 20) parts.push('Hardly any sweat.');
  else parts.push('What you sweat is carried off.');
  if (frost > 1 && frozen) parts.push(`Frost grows in the ${garments.get(frozen.id)?.name.toLowerCase() ?? 'shell'}.`);
  else if (frost < -1) parts.push('Frost is thawing inwards.');
  return parts.join(' ');
}

function sumFrost(scored: Scored, g: number, row: number): number {
  const s = scored.series;
  let f = 0;
  for (let z = 0; z < ZONE_COUNT; z++) f += s.frostGm2[(row * s.garments + g) * ZONE_COUNT + z];
  return s.worn[row * s.garments + g] ? f : 0;
}

/** The one stated cost, by its parts: what decided. */
function CostBars({ cost, total }: { cost: CostParts; total: number }) {
  const most = Math.max(...Object.values(cost), 0.01);
  const decided = deciding(cost);
  return (
    <section>
      <h2 className="flex justify-between border-t border-ink pt-1.5 font-semibold">
        What it costs <span className="font-normal text-ink-3">{total.toFixed(2)} points</span>
      </h2>
      <dl className="narrow mt-1 grid grid-cols-[auto_1fr_auto_1fr] items-center gap-x-1.5 gap-y-px text-[11.5px]">
        {(Object.keys(cost) as (keyof CostParts)[]).map((k) => (
          <div key={k} className="contents">
            <dt className={k === decided.part ? 'font-semibold' : 'text-ink-2'}>{COST_WORDS[k]}</dt>
            <dd className="flex items-center gap-1">
              <span
                className={`h-[7px] ${k === decided.part ? 'bg-act' : 'bg-ink-3'}`}
                style={{ width: `${Math.max(1, 30 * (cost[k] / most))}px` }}
              />
              {cost[k].toFixed(2)}
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
