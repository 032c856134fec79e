'use client';
import { useMutation } from '@tanstack/react-query';
import { useEffect } from 'react';
import { FormProvider, useForm, useWatch, type DefaultValues, type UseFormReturn } from 'react-hook-form';
import { FIBRES, type Fibre } from '@/core/clothing/fibres';
import { GARMENT_FIELDS, GARMENT_RANGE, type Garment } from '@/core/clothing/garment';
import type { Units } from '@/formats/measures';
import { turnOf } from '@/formats/turns';
import type { OwnedGarment } from '@/store/closet';
import { problemsOf, request } from '@/ui/api';
import { Button } from '@/ui/Button';
import { NumberField, TextField } from '@/ui/fields';
import { Problems } from '@/ui/Problems';
import { Select } from '@/ui/Select';
import { useToasts } from '@/ui/toasts';
import { DryingChart } from './DryingChart';
import { useDrafts, type Draft } from './drafts';

type NumberKey = keyof typeof GARMENT_RANGE;

/** What a home can measure or a label tells: every number that the table of properties has words for. */
const FIELDS = (Object.keys(GARMENT_RANGE) as NumberKey[]).filter((key) => GARMENT_FIELDS[key].label);
/** Only for what gives off heat of itself. */
const HEATER: readonly NumberKey[] = ['heatW', 'heatHours'];
/** Water that a piece may have in it, g/m². */
const MOST_DAMP = 2000;

/** The properties of one piece, as measured at home or read off its label. Edits are kept until they are saved or dropped. */
export function GarmentEditor({
  owned,
  units,
  onStored,
  onTakeOut,
  onCopy,
}: {
  owned: OwnedGarment;
  units: Units;
  onStored: () => void;
  onTakeOut: () => void;
  onCopy: () => void;
}) {
  const { id } = owned.garment;
  const say = useToasts((t) => t.say);
  const drafts = useDrafts();
  const stored: Draft = { garment: owned.garment, dampGm2: owned.dampGm2 };
  const draft = drafts.byId[id];
  const form = useForm<Draft>({ defaultValues: (draft ?? stored) as DefaultValues<Draft>, mode: 'onChange' });
  const { keep } = drafts;
  useEffect(
    () => form.subscribe({ formState: { values: true }, callback: ({ values }) => keep(id, values as Draft) }),
    [form, id, keep],
  );

  const put = useMutation({
    mutationFn: (d: Draft) => request('PUT', `/api/garments/${id}`, d),
    onSuccess: (_, d) => {
      drafts.drop(id);
      form.reset(d as DefaultValues<Draft>);
      say(`${d.garment.name} is saved.`, () => back.mutate(stored));
      onStored();
    },
  });
  const back = useMutation({
    mutationFn: (d: Draft) => request('PUT', `/api/garments/${id}`, d),
    onSuccess: (_, d) => {
      form.reset(d as DefaultValues<Draft>);
      drafts.drop(id);
      onStored();
    },
  });

  return (
    <FormProvider {...form}>
      <form className="space-y-2" noValidate onSubmit={form.handleSubmit((d) => put.mutate(d))}>
        {put.error && <Problems problems={problemsOf(put.error)} title="Not saved." />}
        <TextField<Draft>
          name="garment.name"
          label="Name"
          required
          className="speak w-full text-[18px] font-semibold"
        />
        <div className="grid grid-cols-2 gap-3">
          <div>
            <span className="font-semibold">Fibre</span>
            <div className="mt-1">
              <FibreSelect form={form} />
            </div>
          </div>
          <NumberField<Draft>
            name="dampGm2"
            rule={{ label: 'Damp now', low: 0, high: MOST_DAMP, unit: 'g/m²' }}
            turn={turnOf('g/m²', units)}
          />
        </div>
        <table className="w-full border-collapse" aria-label="Properties">
          <tbody>
            {FIELDS.filter((f) => owned.garment.heatW !== undefined || !HEATER.includes(f)).map((key) => (
              <PropertyRow key={key} name={key} units={units} />
            ))}
          </tbody>
        </table>
        <Dries form={form} />
        <div className="sticky bottom-0 flex flex-wrap items-center gap-2 bg-paper py-2">
          <Button kind="strong" type="submit" disabled={put.isPending}>
            {put.isPending ? 'Saving…' : 'Save'}
          </Button>
          {draft && (
            <Button
              onClick={() => {
                form.reset(stored as DefaultValues<Draft>);
                drafts.drop(id);
              }}
            >
              As it was
            </Button>
          )}
          <Button kind="quiet" onClick={onCopy}>
            Duplicate
          </Button>
          <Button kind="quiet" onClick={onTakeOut}>
            Take out of the closet
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}

function PropertyRow({ name, units }: { name: NumberKey; units: Units }) {
  const [low, high, unit] = GARMENT_RANGE[name];
  const { label, how } = GARMENT_FIELDS[name];
  const turn = turnOf(unit, units);
  // Examples in the hints are metric: of no help to somebody who types inches.
  const hint = turn.unit === unit || !/\d/.test(how ?? '') ? how : '';
  return (
    <tr className="border-b border-grid">
      <th scope="row" className="py-[3px] text-left font-medium">
        {label}
        <span className="block text-[11px] leading-tight font-normal text-ink-3">{hint}</span>
      </th>
      <td className="w-24 text-right align-top">
        <NumberField<Draft>
          name={`garment.${name}`}
          rule={{ label: label!, low, high, unit }}
          turn={turn}
          layout="cell"
          width="w-[6.3em] px-1.5 py-1"
        />
      </td>
      <td className="w-[5.5em] pl-1 text-[11px] text-ink-3" title={turn.unit}>
        {turn.unit.replace(' at 100 Pa', '')}
      </td>
    </tr>
  );
}

function FibreSelect({ form }: { form: UseFormReturn<Draft> }) {
  const fibre = useWatch({ control: form.control, name: 'garment.fibre' });
  return (
    <Select<Fibre>
      label="Fibre"
      value={fibre}
      options={(Object.keys(FIBRES) as Fibre[]).map((f) => ({ value: f, label: f }))}
      onChange={(f) => form.setValue('garment.fibre', f, { shouldDirty: true })}
    />
  );
}

/** How long it takes to dry with the numbers as they are typed. */
function Dries({ form }: { form: UseFormReturn<Draft> }) {
  const { garment, dampGm2 } = useWatch({ control: form.control }) as Draft;
  const typed = Object.values({ ...garment, dampGm2 }).every((v) => v !== null);
  return typed ? <DryingChart garment={garment as Garment} dampGm2={dampGm2} /> : null;
}
