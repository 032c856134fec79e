/** @jest-environment jsdom */
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { Choice } from '@/features/out/parts/Big';

const AIR = ['colder', 'as said', 'warmer'] as const;
const words = { colder: 'colder', 'as said': '−8 °C, as said', warmer: 'warmer' };

function Air() {
  const [value, setValue] = useState<(typeof AIR)[number]>('as said');
  return <Choice label="Air" options={AIR} value={value} words={words} onPick={setValue} />;
}
const checked = () =>
  screen.getAllByRole('radio').flatMap((r) => (r.getAttribute('aria-checked') === 'true' ? [r.textContent] : []));

test('a choice on the way is one stop of the tab key, arrows move in it, and a tap picks', async () => {
  const user = userEvent.setup();
  render(
    <>
      <Air />
      <button type="button">after</button>
    </>,
  );
  expect(screen.getByRole('radiogroup', { name: 'Air' })).toBeTruthy();
  await user.tab();
  expect(document.activeElement?.textContent).toBe('−8 °C, as said');
  // The key is held for a moment, as fingers do: the choice follows the focus only while it is down.
  await user.keyboard('{ArrowRight>}');
  await waitFor(() => expect(checked()).toEqual(['warmer']));
  await user.keyboard('{/ArrowRight}');
  await user.tab();
  expect(document.activeElement?.textContent).toBe('after');
  await user.click(screen.getByRole('radio', { name: 'colder' }));
  expect(checked()).toEqual(['colder']);
});
