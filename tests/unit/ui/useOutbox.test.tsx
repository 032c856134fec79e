/** @jest-environment jsdom */
import { act, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import type { EditStore, KeptEdits } from '@/ui/outbox/kept';
import { createOutbox, type World } from '@/ui/outbox/outbox';
import { useOutbox } from '@/ui/outbox/useOutbox';

/** A disk in memory with what a window that is gone has left there. */
function aDisk(left: KeptEdits[]): EditStore {
  const kept = new Map(left.map((k) => [k.id, k]));
  return {
    put: async (k) => void kept.set(k.id, k),
    drop: async (id) => void kept.delete(id),
    all: async () => [...kept.values()],
  };
}

const LEFT: KeptEdits = {
  id: 'gone 1',
  window: 'gone',
  thing: 'number',
  says: 'A number',
  path: '/number',
  version: 1,
  edits: [{ key: 'first', value: { n: 1 }, sent: true }],
  at: 1,
};

test('an answer to what a window that is gone had left does not take back what was edited here since', async () => {
  const sent: { n: number; version: number; answer: (version: number) => void }[] = [];
  let keys = 0;
  const world: World = {
    store: aDisk([LEFT]),
    send: (_path, _key, body) =>
      new Promise((go) =>
        sent.push({ ...(body as { n: number; version: number }), answer: (version) => go({ version }) }),
      ),
    newKey: () => `key ${++keys}`,
    nowMs: () => 10 + keys,
    windows: async () => ['here'],
    window: 'here',
  };
  const outbox = createOutbox(world);
  function Page() {
    const [value, setValue] = useState(0);
    useOutbox<number>({
      thing: 'number',
      says: 'A number',
      path: '/number',
      value,
      stored: 0,
      version: 1,
      wrap: (n) => ({ n }),
      unwrap: (body) => body.n as number,
      onStored: () => {},
      onTaken: setValue,
      outbox,
    });
    return <button onClick={() => setValue(2)}>{`shows ${value}`}</button>;
  }
  render(<Page />);
  await act(() => outbox.adopt());
  expect(await screen.findByText('shows 1')).toBeTruthy();
  await waitFor(() => expect(sent.map((s) => s.n)).toEqual([1]));
  // On its way still, and edited here.
  await userEvent.click(screen.getByRole('button'));
  await screen.findByText('shows 2');
  await act(async () => sent[0].answer(2));
  await waitFor(() =>
    expect(sent.map(({ n, version }) => [n, version])).toEqual([
      [1, 1],
      [2, 2],
    ]),
  );
  expect(screen.getByText('shows 2')).toBeTruthy();
  await act(async () => sent[1].answer(3));
  expect(screen.getByText('shows 2')).toBeTruthy();
});
