'use client';
import { useRef, useState } from 'react';
import { FormProvider, useForm, useWatch, type DefaultValues, type UseFormReturn } from 'react-hook-form';
import { FIBRES, type Fibre } from '@/core/clothing/fibres';
import { GARMENT_FIELDS, GARMENT_RANGE, type Garment } from '@/core/clothing/garment';
import type { Units } from '@/formats/measures';
import { turnOf } from '@/formats/turns';
import type { OwnedGarment } from '@/store/closet';
import { Button } from '@/ui/Button';
import { NumberField, TextField } from '@/ui/fields';
import { useFirstFault } from '@/ui/firstFault';
import { useFormDraft } from '@/ui/outbox/drafts';
import { useOutbox } from '@/ui/outbox/useOutbox';
import { Problems } from '@/ui/Problems';
import { SaveNote } from '@/ui/SaveNote';
import { Select } from '@/ui/Select';
import { useToasts } from '@/ui/toasts';
import { DryingChart } from './DryingChart';

/** A piece as it is being edited. */
type Draft = Pick<OwnedGarment, 'garment' | 'dampGm2'>;

/** The name under which what is typed of a piece is kept. */
export const draftOf = (id: string): string => `garment ${id}`;

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
  const stored: Draft = { garment: owned.garment, dampGm2: owned.dampGm2 };
  const form = useForm<Draft>({
    defaultValues: stored as DefaultValues<Draft>,
    mode: 'onChange',
    shouldFocusError: false,
  });
  const { draft, drop } = useFormDraft(draftOf(id), form);
  const firstFault = useFirstFault(form);
  // What was saved by hand; it goes the way of all edits.
  const [saved, setSaved] = useState<Draft | null>(null);
  /** how to take back what is on its way */
  const undo = useRef<(() => void) | null>(null);
  const take = (d: Draft) => form.reset(d as DefaultValues<Draft>);
  const saving = useOutbox<Draft>({
    thing: `garment ${id}`,
    says: owned.garment.name,
    path: `/api/garments/${id}`,
    value: saved,
    stored,
    version: owned.version,
    wrap: ({ garment, dampGm2 }) => ({ garment, dampGm2 }),
    unwrap: (body) => body as unknown as Draft,
    onStored: (d) => {
      if (undo.current) say(`${d.garment.name} is saved.`, undo.current);
      undo.current = null;
      onStored();
    },
    onTaken: take,
  });
  const save = (d: Draft) => {
    const before = stored;
    take(d);
    drop();
    setSaved(d);
    undo.current = () => {
      take(before);
      setSaved({ ...before });
    };
  };

  return (
    <FormProvider {...form}>
      <form ref={firstFault} className="space-y-2" noValidate onSubmit={form.handleSubmit(save)}>
        <Problems problems={saving.problems} title="Not saved." />
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
        {/* at twice the text size its numbers need more room than there is */}
        <div className="overflow-x-auto">
          <table className="w-full border-collapse" aria-label="Properties">
            <tbody>
              {FIELDS.filter((f) => owned.garment.heatW !== undefined || !HEATER.includes(f)).map((key) => (
                <PropertyRow key={key} name={key} units={units} />
              ))}
            </tbody>
          </table>
        </div>
        <Dries form={form} />
        <div className="sticky bottom-0 flex flex-wrap items-center gap-2 bg-paper py-2">
          <Button kind="strong" type="submit">
            Save
          </Button>
          {saving.state !== 'saved' && <SaveNote state={saving.state} onAgain={saving.saveNow} />}
          {draft && (
            <Button
              onClick={() => {
                take(stored);
                drop();
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
