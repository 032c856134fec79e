'use client';
import dynamic from 'next/dynamic';
import { useRef, useState } from 'react';
import { Controller, FormProvider, useForm, useFormContext, useWatch } from 'react-hook-form';
import { bodyArea, PERSON_FIELDS, PERSON_RANGE, type Person } from '@/core/body/person';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import { CAUTIONS } from '@/core/judge/verdict';
import { minus } from '@/formats/measures';
import { turnOf } from '@/formats/turns';
import { Everything } from './Everything';
import { Header } from '@/features/shell/Header';
import type { Athlete } from '@/store/athlete';
import { Button } from '@/ui/Button';
import { NumberField, TextField } from '@/ui/fields';
import { useFirstFault } from '@/ui/firstFault';
import { useFormDraft } from '@/ui/outbox/drafts';
import { useOutbox } from '@/ui/outbox/useOutbox';
import { Problems } from '@/ui/Problems';
import { SaveNote } from '@/ui/SaveNote';
import { Segments } from '@/ui/Segments';
import { Slider } from '@/ui/Slider';
import { useToasts } from '@/ui/toasts';
import { useRefresh } from '@/ui/useRefresh';

// It learns in a thread of its own, after the page.
const LearnedPanel = dynamic(() => import('@/features/learned/LearnedPanel').then((m) => m.LearnedPanel), {
  ssr: false,
});

type Key = keyof Person;
/** `person` is what they give of themselves: what outings taught lies beside it. */
type Form = Pick<Athlete, 'name' | 'units' | 'person'>;

const KEYS = Object.keys(PERSON_FIELDS) as Key[];
/** Measures are typed, what is personal is moved between two ends. */
const MEASURES = KEYS.filter((k) => !PERSON_FIELDS[k].ends);
const PERSONAL = KEYS.filter((k) => PERSON_FIELDS[k].ends);

/** Me: what the model needs to know of one body. */
export function MeView({ athlete }: { athlete: Athlete }) {
  const refresh = useRefresh();
  const say = useToasts((t) => t.say);
  const form = useForm<Form>({
    defaultValues: { name: athlete.name, units: athlete.units, person: athlete.given },
    mode: 'onChange',
    shouldFocusError: false,
  });
  const stored: Form = { name: athlete.name, units: athlete.units, person: athlete.given };
  const { draft, drop } = useFormDraft('me', form);
  const firstFault = useFirstFault(form);
  const [saved, setSaved] = useState<Form | null>(null);
  /** how to take back what is on its way */
  const undo = useRef<(() => void) | null>(null);
  const saving = useOutbox<Form>({
    thing: 'me',
    says: 'What is known of you',
    path: '/api/athlete',
    value: saved,
    stored,
    version: athlete.version,
    wrap: ({ name, units, person }) => ({ name, units, person }),
    unwrap: (body) => body as unknown as Form,
    onStored: () => {
      if (undo.current) say('Saved.', undo.current);
      undo.current = null;
      refresh();
    },
    onTaken: (me) => form.reset(me),
  });
  const save = (me: Form) => {
    const before = form.formState.defaultValues as Form;
    form.reset(me);
    drop();
    setSaved(me);
    undo.current = () => {
      form.reset(before);
      setSaved({ ...before });
    };
  };

  return (
    <>
      <Header screen="me" />
      <main className="mx-4 grid grid-cols-[minmax(0,580px)_minmax(0,1fr)] gap-12 pt-6 pb-8 max-[900px]:grid-cols-1 max-[900px]:gap-6">
        <FormProvider {...form}>
          <form ref={firstFault} noValidate onSubmit={form.handleSubmit(save)} className="min-w-0 space-y-5">
            <h1 className="speak text-[28px] leading-tight font-semibold">It is personal.</h1>
            <Problems problems={saving.problems} title="Not saved." />
            <div className="grid grid-cols-[minmax(0,1fr)_auto] gap-4 max-[560px]:grid-cols-1">
              <TextField<Form> name="name" label="Name" required />
              <fieldset>
                <legend className="font-semibold">Units</legend>
                <div className="mt-1">
                  <Controller<Form, 'units'>
                    name="units"
                    render={({ field }) => (
                      <Segments
                        label="Units"
                        value={field.value}
                        options={[
                          { value: 'metric', label: '°C, km, g' },
                          { value: 'imperial', label: '°F, mi, oz' },
                        ]}
                        onChange={field.onChange}
                      />
                    )}
                  />
                </div>
              </fieldset>
            </div>
            <table className="w-full border-collapse border-t-2 border-ink" aria-label="Measures">
              <tbody>
                {MEASURES.map((k) => (
                  <MeasureRow key={k} name={k} />
                ))}
              </tbody>
            </table>
            <div className="space-y-3 border-t-2 border-ink pt-3">
              {PERSONAL.map((k) => (
                <PersonalRow key={k} name={k} counts={athlete.known ? (athlete.person[k] ?? 0) : null} />
              ))}
            </div>
            <div className="sticky bottom-0 flex items-center gap-3 bg-paper py-2">
              <Button kind="strong" type="submit" size="large">
                Save
              </Button>
              {draft ? (
                <>
                  <Button
                    onClick={() => {
                      form.reset();
                      drop();
                    }}
                  >
                    As it was
                  </Button>
                  <span className="text-ink-2">Kept here, not saved yet.</span>
                </>
              ) : (
                <SaveNote state={saving.state} onAgain={saving.saveNow} />
              )}
            </div>
          </form>
          <aside className="max-w-[56ch] space-y-4 border-l border-grid-2 pl-6 text-ink-2 max-[900px]:border-l-0 max-[900px]:pl-0">
            <Engine />
            <LearnedPanel units={athlete.units} />
            <Everything />
            <h2 className="font-semibold text-ink">Cautions</h2>
            <ul className="list-disc space-y-1.5 pl-4">
              {CAUTIONS.map((c) => (
                <li key={c}>{c}</li>
              ))}
            </ul>
          </aside>
        </FormProvider>
      </main>
    </>
  );
}

function MeasureRow({ name }: { name: Key }) {
  const [low, high, unit] = PERSON_RANGE[name];
  const { label, how } = PERSON_FIELDS[name];
  const turn = turnOf(unit, useWatch<Form, 'units'>({ name: 'units' }));
  return (
    <tr className="border-b border-grid-2">
      <th scope="row" className="w-[13.8em] py-1.5 text-left font-semibold">
        {label}
        <span className="hidden text-[12px] font-normal text-ink-3 max-[560px]:block">{how}</span>
      </th>
      <td className="w-[14.6em] py-1">
        <span className="inline-block align-middle">
          <NumberField<Form>
            name={`person.${name}`}
            rule={{ label: label!, low, high, unit }}
            turn={turn}
            layout="cell"
            width="w-24"
          />
        </span>{' '}
        {turn.unit}
      </td>
      <td className="text-[12px] text-ink-3 max-[560px]:hidden">{how}</td>
    </tr>
  );
}

/** @param counts the number that counts by now, with what outings taught; null: the one given */
function PersonalRow({ name, counts }: { name: Key; counts: number | null }) {
  const [low, high, unit] = PERSON_RANGE[name];
  const { label, how, ends, step } = PERSON_FIELDS[name];
  const turn = turnOf(unit, useWatch<Form, 'units'>({ name: 'units' }));
  return (
    <Controller<Form, `person.${Key}`>
      name={`person.${name}`}
      render={({ field }) => (
        <div className="grid grid-cols-[180px_78px_minmax(0,1fr)_78px_88px] items-center gap-2 max-[560px]:grid-cols-[70px_minmax(0,1fr)_70px_84px]">
          <span className="max-[560px]:col-span-4">
            <b className="font-semibold">{label}</b>
            <span className="block text-[12px] leading-tight text-ink-3">{how}</span>
          </span>
          <span className="text-right text-[12px] text-ink-3">{ends![0]}</span>
          <Slider
            label={label!}
            value={field.value ?? 0}
            range={[low, high]}
            step={step ?? 0.05}
            says={`${minus(turn.show(field.value ?? 0), 2)} ${turn.unit}`}
            onChange={(v) => field.onChange(Math.round(v * 1000) / 1000)}
          />
          <span className="text-[12px] text-ink-3">{ends![1]}</span>
          <b className="text-right leading-tight">
            {minus(turn.show(field.value ?? 0), 2)} {turn.unit}
            {counts !== null && Math.abs(counts - (field.value ?? 0)) > SAME && (
              <span className="block text-[11.5px] font-normal text-ink-2">
                counts {minus(turn.show(counts), 2)} {turn.unit}
              </span>
            )}
          </b>
        </div>
      )}
    />
  );
}

/** Nearer than this the number given is the one that counts. */
const SAME = 0.005;

/** What these measures come to. */
function Engine() {
  const { getFieldState, formState } = useFormContext<Form>();
  const person = useWatch<Form, 'person'>({ name: 'person' });
  const known = (['massKg', 'heightM', 'vo2maxMl'] as const).every(
    (k) => typeof person[k] === 'number' && !getFieldState(`person.${k}`, formState).error,
  );
  if (!known) return null;
  return (
    <p className="speak text-[18px] leading-snug text-ink">
      {bodyArea(person).toFixed(2)} m² of skin; at most{' '}
      {maximalMetabolicRate(person.vo2maxMl, person.massKg).toFixed(0)} W of metabolic rate, of which you hold about
      half for hours.
    </p>
  );
}
