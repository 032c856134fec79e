'use client';
import { useMutation } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { Controller, FormProvider, useForm, useWatch } from 'react-hook-form';
import { fahrenheitToC, feetToM, kmhToMs, mphToKmh, poundToKg } from '@/core/quantity/units';
import type { Units } from '@/formats/measures';
import { Header } from '@/features/shell/Header';
import { problemsOf, request } from '@/ui/api';
import { Button } from '@/ui/Button';
import { useFirstFault } from '@/ui/firstFault';
import { useFormDraft } from '@/ui/outbox/drafts';
import { Problems } from '@/ui/Problems';
import { Segments } from '@/ui/Segments';
import { warmUp } from '@/workers/client';
import { FormatHelp } from './FormatHelp';
import { StationNote } from './StationForecast';

import { CommonFields, FileField, HandFields, RouteFields, type Form } from './NewOutingFields';

/** Numbers typed in imperial units, turned into what the server takes. */
const TO_METRIC: Partial<Record<keyof Form, (x: number) => number>> = {
  airC: fahrenheitToC,
  wind: (x) => kmhToMs(mphToKmh(x)),
  climbM: feetToM,
  loadKg: poundToKg,
};

/** The form as the server takes it: files, and text for all else. */
function toFormData(form: Form, units: Units): FormData {
  const data = new FormData();
  const file = (name: 'forecast' | 'route') => {
    const f = form[name]?.[0];
    if (f) data.set(name, f);
  };
  if (form.forecastFrom === 'file') file('forecast');
  if (form.way === 'route') file('route');
  if (form.way === 'route' && form.useRecorded) data.set('useRecorded', 'yes');
  for (const [key, value] of Object.entries(form)) {
    if (value === null || value === '' || typeof value === 'object' || typeof value === 'boolean' || key === 'way')
      continue;
    const turn = units === 'imperial' && typeof value === 'number' ? TO_METRIC[key as keyof Form] : undefined;
    data.set(key, String(turn ? turn(value as number) : value));
  }
  if (units === 'imperial' && form.effortBy === 'speed' && form.effortValue !== null)
    data.set('effortValue', String(mphToKmh(form.effortValue)));
  return data;
}

/** A new outing from a route and a forecast, or from one leg by hand. */
export function NewOuting({ units }: { units: Units }) {
  const router = useRouter();
  const form = useForm<Form>({
    mode: 'onTouched',
    shouldFocusError: false,
    defaultValues: {
      way: 'route',
      forecastFrom: 'file',
      forecast: null,
      route: null,
      useRecorded: false,
      airC: null,
      wind: null,
      humidity: null,
      minutes: 60,
      climbM: 0,
      sport: 'ski tour',
      name: '',
      effortBy: 'usual',
      effortValue: null,
      start: '',
      loadKg: units === 'metric' ? 5 : 11,
      utcOffsetH: 1,
    },
  });
  // An input of files shows what was chosen until it is made anew.
  const [emptied, setEmptied] = useState(0);
  const { draft, drop } = useFormDraft('new outing', form);
  const firstFault = useFirstFault(form);
  const way = useWatch({ control: form.control, name: 'way' });
  const from = useWatch({ control: form.control, name: 'forecastFrom' });
  // The planner comes next.
  useEffect(() => void warmUp(), []);
  const create = useMutation({
    mutationFn: (f: Form) => request<{ id: string }>('POST', '/api/outings', toFormData(f, units)),
    onSuccess: ({ id }) => {
      drop();
      router.push(`/outing/${id}`);
    },
  });
  const busy = create.isPending || create.isSuccess;

  return (
    <>
      <Header screen="outing" />
      <main className="mx-4 grid grid-cols-[minmax(0,620px)_minmax(0,1fr)] gap-12 pt-6 pb-8 max-[900px]:grid-cols-1">
        <FormProvider {...form}>
          <form
            key={emptied}
            ref={firstFault}
            onSubmit={form.handleSubmit((f) => create.mutate(f))}
            className="min-w-0 space-y-4"
            noValidate
          >
            <h1 className="speak text-[28px] leading-tight font-semibold">A day out: the way, and the air on it.</h1>
            {create.error && <Problems problems={problemsOf(create.error)} />}
            <Controller<Form, 'way'>
              name="way"
              render={({ field }) => (
                <Segments
                  label="Way"
                  value={field.value}
                  options={[
                    { value: 'route', label: 'Route from a GPX file' },
                    { value: 'hand', label: 'Legs by hand' },
                  ]}
                  onChange={field.onChange}
                />
              )}
            />
            <Controller<Form, 'forecastFrom'>
              name="forecastFrom"
              render={({ field }) => (
                <Segments
                  label="Forecast"
                  value={field.value}
                  options={[
                    { value: 'file', label: way === 'route' ? 'From a file' : 'From a file, or by hand' },
                    { value: 'station', label: 'From your station' },
                  ]}
                  onChange={field.onChange}
                />
              )}
            />
            {from === 'station' ? <StationNote /> : null}
            {from === 'file' && (
              <FileField
                name="forecast"
                label="Hourly forecast"
                hint={way === 'route' ? 'CSV; metric or imperial headers' : 'CSV; or give the air below instead'}
                accept=".csv,text/csv,text/plain"
                missing={way === 'route' ? 'Choose the forecast file: a CSV with one line an hour.' : undefined}
              />
            )}
            {way === 'route' ? (
              <RouteFields />
            ) : (
              <HandFields units={units} air={from === 'file' ? 'asked' : 'from the station'} />
            )}
            <CommonFields units={units} />
            <Button kind="strong" type="submit" disabled={busy} size="large">
              {busy ? 'Reading…' : 'Take it in'}
            </Button>
            {draft && !busy && (
              <Button
                kind="quiet"
                onClick={() => {
                  form.reset();
                  drop();
                  setEmptied((n) => n + 1);
                }}
              >
                Start with an empty form
              </Button>
            )}
          </form>
        </FormProvider>
        <FormatHelp />
      </main>
    </>
  );
}
