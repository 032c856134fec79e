/** @jest-environment jsdom */
import { useState } from 'react';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { FormProvider, useForm } from 'react-hook-form';
import { NumberField, TextField } from '@/ui/fields';
import { useFirstFault } from '@/ui/firstFault';

interface Form {
  airC: number | null;
  loadKg: number | null;
  name: string;
}

/** A form whose first field comes to it last, as the air does when one takes legs by hand. */
function Page({ onTake }: { onTake: () => void }) {
  const form = useForm<Form>({ defaultValues: { airC: null, loadKg: 5, name: '' }, shouldFocusError: false });
  const ref = useFirstFault(form);
  const [byHand, setByHand] = useState(false);
  return (
    <FormProvider {...form}>
      <form ref={ref} onSubmit={form.handleSubmit(onTake)} noValidate>
        <button type="button" onClick={() => setByHand(true)}>
          by hand
        </button>
        {byHand && <NumberField<Form> name="airC" rule={{ label: 'Air', low: -60, high: 40, unit: '°C' }} />}
        <NumberField<Form> name="loadKg" rule={{ label: 'Pack', low: 0, high: 60, unit: 'kg' }} />
        <TextField<Form> name="name" label="Name" required />
        <button type="submit">take</button>
      </form>
    </FormProvider>
  );
}

test('a refused form puts the focus on the first field at fault as they stand on the page, and on the next after it', async () => {
  const onTake = jest.fn();
  render(<Page onTake={onTake} />);
  await userEvent.click(screen.getByText('by hand'));
  await userEvent.click(screen.getByText('take'));
  const air = screen.getByLabelText(/^Air/);
  await waitFor(() => expect(document.activeElement).toBe(air));
  await userEvent.type(air, '-8');
  await userEvent.click(screen.getByText('take'));
  const name = screen.getByLabelText('Name');
  await waitFor(() => expect(document.activeElement).toBe(name));
  await userEvent.type(name, 'Rake');
  await userEvent.click(screen.getByText('take'));
  await waitFor(() => expect(onTake).toHaveBeenCalledTimes(1));
});
