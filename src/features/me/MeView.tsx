'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { bodyArea, PERSON_RANGE, type Person } from '@/core/body/person';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import { CAUTIONS } from '@/core/judge/verdict';
import type { Problem } from '@/formats/problem';
import type { Athlete } from '@/store/athlete';
import { Header } from '@/features/shell/Header';
import { Button } from '@/ui/Button';
import { Problems } from '@/ui/Problems';
import { send } from '@/ui/send';

type Key = keyof Person;

interface Row {
  key: Key;
  label: string;
  says: string;
  step: number;
}

const BODY: Row[] = [
  { key: 'massKg', label: 'Body mass', says: 'without clothes', step: 0.5 },
  { key: 'heightM', label: 'Height', says: 'with mass it gives your skin’s area', step: 0.01 },
  { key: 'fatPercent', label: 'Body fat', says: 'insulates; 15 when unknown', step: 1 },
  { key: 'vo2maxMl', label: 'Fitness, VO₂max', says: 'sets the pace you can hold', step: 1 },
  { key: 'restBpm', label: 'Resting pulse', says: '', step: 1 },
  { key: 'maxBpm', label: 'Highest pulse', says: '', step: 1 },
];

const PERSONAL: (Row & { low: string; high: string })[] = [
  { key: 'sweatGain', label: 'Sweat', says: 'against the mean of people', step: 0.05, low: 'little', high: 'much' },
  {
    key: 'constriction',
    label: 'Hands and feet',
    says: 'how firmly their vessels close in the cold',
    step: 0.05,
    low: 'stay warm',
    high: 'go first',
  },
  {
    key: 'warmth',
    label: 'You run',
    says: 'shift of the skin temperature that feels right',
    step: 0.25,
    low: 'cold',
    high: 'hot',
  },
  {
    key: 'metabolicBias',
    label: 'Heat for the same pace',
    says: 'against the mean',
    step: 0.02,
    low: 'economical',
    high: 'costly',
  },
];

/** Me: what the model needs to know of one body. */
export function MeView({ athlete }: { athlete: Athlete }) {
  const router = useRouter();
  const [name, setName] = useState(athlete.name);
  const [units, setUnits] = useState(athlete.units);
  const [person, setPerson] = useState<Person>(athlete.person);
  const [problems, setProblems] = useState<Problem[]>([]);
  const [saved, setSaved] = useState('');
  const set = (key: Key, text: string) => {
    setSaved('');
    setPerson({ ...person, [key]: text === '' ? NaN : Number(text) });
  };
  const valid = Number.isFinite(person.massKg) && Number.isFinite(person.heightM);

  async function save() {
    const sent = await send('PUT', '/api/athlete', { name, units, person });
    setProblems(sent.ok ? [] : sent.problems);
    setSaved(sent.ok ? 'Saved.' : '');
    if (sent.ok) router.refresh();
  }

  return (
    <>
      <Header screen="me" />
      <main className="mx-4 grid grid-cols-[minmax(0,560px)_minmax(0,1fr)] gap-12 pt-6 max-[900px]:grid-cols-1">
        <form
          onSubmit={(e) => {
            e.preventDefault();
            void save();
          }}
          className="space-y-5"
        >
          <h1 className="speak text-[28px] leading-tight font-semibold">It is personal.</h1>
          <Problems problems={problems} />
          <div className="grid grid-cols-[1fr_auto] gap-4">
            <label>
              <span className="font-semibold">Name</span>
              <input
                className="mt-1 block w-full rounded-[3px] border border-grid-2 bg-sheet px-2 py-1.5"
                value={name}
                maxLength={120}
                onChange={(e) => setName(e.target.value)}
              />
            </label>
            <fieldset>
              <legend className="font-semibold">Units</legend>
              <div className="mt-1 flex gap-1">
                {(['metric', 'imperial'] as const).map((u) => (
                  <Button
                    key={u}
                    kind={units === u ? 'strong' : 'plain'}
                    aria-pressed={units === u}
                    onClick={() => setUnits(u)}
                  >
                    {u === 'metric' ? '°C, km, g' : '°F, mi, oz'}
                  </Button>
                ))}
              </div>
            </fieldset>
          </div>
          <table className="w-full border-collapse border-t-2 border-ink">
            <tbody>
              {BODY.map((r) => (
                <tr key={r.key} className="border-b border-grid-2">
                  <th scope="row" className="w-[180px] py-1.5 text-left font-semibold">
                    {r.label}
                  </th>
                  <td className="w-[170px]">
                    <input
                      type="number"
                      aria-label={r.label}
                      className="w-24 rounded-[3px] border border-grid-2 bg-sheet px-2 py-1 text-right"
                      step={r.step}
                      min={PERSON_RANGE[r.key][0]}
                      max={PERSON_RANGE[r.key][1]}
                      value={Number.isNaN(person[r.key]) ? '' : person[r.key]}
                      onChange={(e) => set(r.key, e.target.value)}
                    />{' '}
                    {PERSON_RANGE[r.key][2]}
                  </td>
                  <td className="text-[12px] text-ink-3">{r.says}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <div className="space-y-3 border-t-2 border-ink pt-3">
            {PERSONAL.map((r) => (
              <label key={r.key} className="grid grid-cols-[180px_70px_1fr_70px_60px] items-center gap-2">
                <span>
                  <b className="font-semibold">{r.label}</b>
                  <span className="block text-[12px] leading-tight text-ink-3">{r.says}</span>
                </span>
                <span className="text-right text-[12px] text-ink-3">{r.low}</span>
                <input
                  type="range"
                  className="accent-ink"
                  min={PERSON_RANGE[r.key][0]}
                  max={PERSON_RANGE[r.key][1]}
                  step={r.step}
                  value={person[r.key]}
                  onChange={(e) => set(r.key, e.target.value)}
                />
                <span className="text-[12px] text-ink-3">{r.high}</span>
                <b className="text-right">
                  {person[r.key].toFixed(2)} {r.key === 'warmth' ? 'K' : '×'}
                </b>
              </label>
            ))}
          </div>
          <div className="flex items-center gap-3">
            <Button kind="strong" type="submit" className="px-5 py-2">
              Save
            </Button>
            <span role="status" className="text-ink-2">
              {saved}
            </span>
          </div>
        </form>
        <aside className="max-w-[56ch] space-y-4 border-l border-grid-2 pl-6 text-ink-2 max-[900px]:border-l-0 max-[900px]:pl-0">
          {valid && (
            <p className="speak text-[18px] leading-snug text-ink">
              {bodyArea(person).toFixed(2)} m² of skin; at most{' '}
              {maximalMetabolicRate(Math.max(20, Math.min(90, person.vo2maxMl || 50)), person.massKg).toFixed(0)} W of
              metabolic rate, of which you hold about half for hours.
            </p>
          )}
          <h2 className="font-semibold text-ink">Cautions</h2>
          <ul className="list-disc space-y-1.5 pl-4">
            {CAUTIONS.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ul>
        </aside>
      </main>
    </>
  );
}
