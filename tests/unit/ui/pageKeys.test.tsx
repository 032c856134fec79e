/** @jest-environment jsdom */
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { PAGE_KEYS } from '@/ui/pageKeys';

/** A page that stops its work at Escape, with a sheet over it. */
function Page({ stop, help }: { stop: () => void; help: () => void }) {
  const [open, setOpen] = useState(true);
  useHotkeys('escape', stop, PAGE_KEYS);
  useHotkeys('?', help, PAGE_KEYS);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Content aria-describedby={undefined}>
        <Dialog.Title>Keys</Dialog.Title>
      </Dialog.Content>
    </Dialog.Root>
  );
}

test('the Escape that closes a sheet is not the page’s; the next one is, and so is a key by what it writes', async () => {
  const stop = jest.fn();
  const help = jest.fn();
  render(<Page stop={stop} help={help} />);
  await userEvent.keyboard('{Escape}');
  expect(screen.queryByText('Keys')).toBeNull();
  expect(stop).not.toHaveBeenCalled();
  await userEvent.keyboard('{Escape}');
  expect(stop).toHaveBeenCalledTimes(1);
  await userEvent.keyboard('?');
  expect(help).toHaveBeenCalledTimes(1);
});
