'use client';
import { Controller, useWatch } from 'react-hook-form';
import { isMoving, SPORT, SPORTS, type Sport } from '@/core/effort/sports';
import type { Units } from '@/formats/measures';
import { Check } from '@/ui/Check';
import { FieldError, Labelled, NumberField, TextField } from '@/ui/fields';
import type { NumberRule } from '@/ui/numbers';
import { Select } from '@/ui/Select';

/** The form as it is filled in: numbers in the athlete’s units. */
export interface Form {
  way: 'route' | 'hand';
  forecastFrom: 'file' | 'station';
  forecast: File[] | null;
  route: File[] | null;
  useRecorded: boolean;
  airC: number | null;
  wind: number | null;
  humidity: number | null;
  minutes: number | null;
  climbM: number | null;
  sport: Sport;
  name: string;
  effortBy: 'usual' | 'exertion' | 'heartRate' | 'speed' | 'power';
  effortValue: number | null;
  start: string;
  loadKg: number | null;
  utcOffsetH: number | null;
}

/** Puts files that were chosen before into an input that was made anew. */
function showFiles(input: HTMLInputElement, files: File[] | null) {
  if (!files || input.files?.length) return;
  const all = new DataTransfer();
  files.forEach((f) => all.items.add(f));
  input.files = all.files;
}

export function FileField({
  name,
  label,
  hint,
  accept,
  missing,
}: {
  name: 'forecast' | 'route';
  label: string;
  hint: string;
  accept: string;
  /** what to say when there is none; left out: it may be missing */
  missing?: string;
}) {
  const id = `file-${name}`;
  return (
    <Controller<Form, 'forecast' | 'route'>
      name={name}
      rules={{ validate: (v) => missing === undefined || (v && v.length > 0) || missing }}
      render={({ field, fieldState }) => (
        <Labelled label={label} hint={hint} error={fieldState.error?.message} htmlFor={id}>
          <input
            id={id}
            type="file"
            name={name}
            accept={accept}
            aria-invalid={!!fieldState.error}
            aria-describedby={fieldState.error ? `${id}-error` : undefined}
            className="w-full rounded-[3px] border border-grid-2 bg-sheet px-2 py-1.5 file:mr-3 file:cursor-pointer file:rounded-[3px] file:border file:border-ink file:bg-paper file:px-2 file:py-0.5 file:font-semibold"
            ref={(input) => {
              field.ref(input);
              if (input) showFiles(input, field.value);
            }}
            onBlur={field.onBlur}
            onChange={(e) => field.onChange([...(e.target.files ?? [])])}
          />
        </Labelled>
      )}
    />
  );
}

export function RouteFields() {
  return (
    <div className="space-y-2">
      <FileField
        name="route"
        label="Route"
        hint="GPX track or route"
        accept=".gpx,application/gpx+xml,text/xml"
        missing="Choose the route file, or take “Legs by hand” above."
      />
      <Controller<Form, 'useRecorded'>
        name="useRecorded"
        render={({ field }) => (
          <Check checked={field.value} onChange={field.onChange}>
            use the times recorded in the track for start and pace
          </Check>
        )}
      />
    </div>
  );
}

export function HandFields({ units, air: airs }: { units: Units; air: 'asked' | 'from the station' }) {
  const metric = units === 'metric';
  const air: NumberRule = metric
    ? { label: 'Air', low: -60, high: 40, unit: '°C', optional: true }
    : { label: 'Air', low: -76, high: 104, unit: '°F', optional: true };
  const wind: NumberRule = metric
    ? { label: 'Wind', low: 0, high: 60, unit: 'm/s', optional: true }
    : { label: 'Wind', low: 0, high: 134, unit: 'mph', optional: true };
  const climb: NumberRule = metric
    ? { label: 'Climb', low: -3000, high: 3000, unit: 'm', optional: true }
    : { label: 'Climb', low: -9842, high: 9842, unit: 'ft', optional: true };
  return (
    <div className="grid grid-cols-2 gap-4 max-[560px]:grid-cols-1">
      {airs === 'asked' && (
        <>
          <NumberField<Form> name="airC" rule={air} hint="each leg may have its own later" />
          <NumberField<Form> name="wind" rule={wind} hint="at 10 m" />
          <NumberField<Form>
            name="humidity"
            rule={{ label: 'Humidity', low: 2, high: 100, unit: '%', optional: true }}
            hint="75 where you do not know"
            placeholder="75"
          />
        </>
      )}
      <NumberField<Form>
        name="minutes"
        rule={{ label: 'First leg', low: 5, high: 1440, unit: 'minutes' }}
        hint="more legs on the next screen"
      />
      <NumberField<Form> name="climbM" rule={climb} />
    </div>
  );
}

const EFFORTS: Record<Exclude<Form['effortBy'], 'usual'>, (metric: boolean) => NumberRule> = {
  exertion: () => ({ label: 'Exertion', low: 0, high: 10, unit: 'of 10' }),
  heartRate: () => ({ label: 'Heart rate', low: 40, high: 220, unit: 'bpm' }),
  speed: (metric) => ({
    label: 'Speed',
    low: metric ? 0.5 : 0.3,
    high: metric ? 60 : 37,
    unit: metric ? 'km/h' : 'mph',
  }),
  power: () => ({ label: 'Power', low: 20, high: 600, unit: 'W' }),
};

export function CommonFields({ units }: { units: Units }) {
  const metric = units === 'metric';
  const { sport, effortBy, forecastFrom } = useWatch<Form>() as Form;
  return (
    <div className="grid grid-cols-2 gap-4 max-[560px]:grid-cols-1">
      <Controller<Form, 'sport'>
        name="sport"
        render={({ field }) => (
          <Labelled label="Sport" htmlFor="sport">
            <Select<Sport>
              label="Sport"
              value={field.value}
              className="px-2 py-1.5"
              options={SPORTS.filter(isMoving).map((s) => ({ value: s, label: SPORT[s].label }))}
              onChange={field.onChange}
            />
          </Labelled>
        )}
      />
      <TextField<Form> name="name" label="Name" hint="else the route’s" />
      <Controller<Form, 'effortBy'>
        name="effortBy"
        rules={{
          validate: (by) =>
            by !== 'power' ||
            SPORT[sport].mechanics?.by === 'ride' ||
            'Power is known on a bicycle only. Choose another.',
        }}
        render={({ field, fieldState }) => (
          <Labelled label="How hard" htmlFor="effort-by">
            <Select<Form['effortBy']>
              label="How hard"
              value={field.value}
              invalid={!!fieldState.error}
              className="px-2 py-1.5"
              options={[
                { value: 'usual', label: 'As usual' },
                { value: 'exertion', label: 'Exertion, 0–10' },
                { value: 'heartRate', label: 'Heart rate' },
                { value: 'speed', label: 'Speed' },
                ...(SPORT[sport].mechanics?.by === 'ride' ? [{ value: 'power' as const, label: 'Power' }] : []),
              ]}
              onChange={field.onChange}
            />
            {fieldState.error && <FieldError id="effort-by-error">{fieldState.error.message!}</FieldError>}
          </Labelled>
        )}
      />
      {effortBy === 'usual' ? (
        <span className="max-[560px]:hidden" />
      ) : (
        <NumberField<Form> key={effortBy} name="effortValue" rule={EFFORTS[effortBy](metric)} />
      )}
      <TextField<Form>
        name="start"
        label="Start"
        hint="empty: as recorded if the forecast covers it, else its first hour"
        type="datetime-local"
      />
      <NumberField<Form>
        name="loadKg"
        rule={{ label: 'Pack beyond clothes', low: 0, high: metric ? 60 : 132, unit: metric ? 'kg' : 'lb' }}
      />
      {/* A station's hours are on its own clock, and it says which. */}
      {forecastFrom === 'file' && (
        <NumberField<Form>
          name="utcOffsetH"
          rule={{ label: 'Clock ahead of UTC', low: -12, high: 14, unit: 'h' }}
          hint="for the sun"
        />
      )}
    </div>
  );
}
