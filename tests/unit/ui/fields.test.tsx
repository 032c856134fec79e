/** @jest-environment jsdom */
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { FormProvider, useForm } from 'react-hook-form';
import type { Units } from '@/formats/measures';
import { turnOf } from '@/formats/turns';
import { Button } from '@/ui/Button';
import { NumberField, TextField } from '@/ui/fields';

interface Form {
  massKg: number | null;
  name: string;
}

function Page({ units, onTake }: { units: Units; onTake: (f: Form) => void }) {
  const form = useForm<Form>({ defaultValues: { massKg: 71, name: 'Wren' }, mode: 'onChange' });
  return (
    <FormProvider {...form}>
      <form onSubmit={form.handleSubmit(onTake)} noValidate>
        <TextField<Form> name="name" label="Name" required />
        <NumberField<Form>
          name="massKg"
          rule={{ label: 'Body mass', low: 35, high: 160, unit: 'kg' }}
          turn={turnOf('kg', units)}
        />
        <Button type="submit">Save</Button>
        <Button onClick={() => form.reset()}>As it was</Button>
      </form>
    </FormProvider>
  );
}

const mass = () => screen.getByLabelText(/Body mass/);
const type = async (text: string) => {
  await userEvent.clear(mass());
  if (text !== '') await userEvent.type(mass(), text);
};
const save = () => userEvent.click(screen.getByText('Save'));

test.each([
  ['', 'Body mass is empty. It may be 35 to 160 kg.'],
  ['12', 'Body mass is 12. It may be 35 to 160 kg.'],
  ['161', 'Body mass is 161. It may be 35 to 160 kg.'],
  ['many', 'Body mass is no number. It may be 35 to 160 kg.'],
])('a mass of "%s" is not taken, and the field says what it may be', async (typed, says) => {
  const onTake = jest.fn();
  render(<Page units="metric" onTake={onTake} />);
  await type(typed);
  await save();
  expect(screen.getByRole('alert').textContent).toBe(says);
  expect(mass().getAttribute('aria-invalid')).toBe('true');
  expect(onTake).not.toHaveBeenCalled();
});

test.each([
  ['35', 35],
  ['160', 160],
  ['72,5', 72.5],
])('a mass of "%s" is taken, with a decimal comma too', async (typed, kg) => {
  const onTake = jest.fn();
  render(<Page units="metric" onTake={onTake} />);
  await type(typed);
  await save();
  expect(onTake.mock.calls[0][0].massKg).toBe(kg);
});

test('pounds are typed and kilograms kept; its limits are in pounds', async () => {
  const onTake = jest.fn();
  render(<Page units="imperial" onTake={onTake} />);
  expect((mass() as HTMLInputElement).value).toBe('156.5');
  await save();
  expect(onTake.mock.calls[0][0].massKg).toBe(71);
  await type('400');
  expect(screen.getByRole('alert').textContent).toBe('Body mass is 400. It may be 77.16 to 352.7 lb.');
  await type('160');
  await save();
  expect(onTake.mock.calls[1][0].massKg).toBeCloseTo(72.57, 2);
});

test('changing the units keeps what is there, and "as it was" brings the stored number back', async () => {
  const { rerender } = render(<Page units="metric" onTake={jest.fn()} />);
  await type('80');
  rerender(<Page units="imperial" onTake={jest.fn()} />);
  expect((mass() as HTMLInputElement).value).toBe('176.4');
  await userEvent.click(screen.getByText('As it was'));
  expect((mass() as HTMLInputElement).value).toBe('156.5');
});

test('a name may not be empty', async () => {
  const onTake = jest.fn();
  render(<Page units="metric" onTake={onTake} />);
  await userEvent.clear(screen.getByLabelText('Name'));
  await save();
  expect(screen.getByRole('alert').textContent).toContain('Name is empty');
  expect(onTake).not.toHaveBeenCalled();
});
