/** @jest-environment jsdom */
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { NotDone } from '@/ui/api';
import { useAutosave } from '@/ui/autosave';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

const wait = (ms: number) => act(() => jest.advanceTimersByTimeAsync(ms));
const refusal = new NotDone([{ where: 'Plan', field: 'name', value: 'empty', allowed: 'a name' }], 400);
const lost = new NotDone([{ where: 'Connection', field: 'the server', value: 'not reached', allowed: 'start it' }], 0);

/** Something that is edited, and a server that keeps what it is sent. */
function edited(answer: () => Promise<unknown> = () => Promise.resolve({})) {
  const sent: string[] = [];
  const save = jest.fn((v: string) => {
    sent.push(v);
    return answer();
  });
  const client = new QueryClient();
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  let stored = 'a';
  const hook = renderHook(
    ({ value }: { value: string }) =>
      useAutosave<string, unknown>({ id: 'x', value, stored, save, onStored: (v) => (stored = v) }),
    { wrapper, initialProps: { value: 'a' } },
  );
  const edit = (value: string) => hook.rerender({ value });
  return { sent, edit, state: () => hook.result.current.state, hook };
}

test('an edit is sent by itself once it rests, and the last one of a drag only', async () => {
  const page = edited();
  expect(page.state()).toBe('saved');
  for (const v of ['b', 'c', 'd']) {
    page.edit(v);
    await wait(100);
  }
  expect(page.sent).toEqual([]);
  expect(page.state()).toBe('unsaved');
  await wait(500);
  expect(page.sent).toEqual(['d']);
  page.edit('d');
  expect(page.state()).toBe('saved');
});

test('leaving the page within the half second loses nothing', async () => {
  const page = edited();
  page.edit('b');
  page.hook.unmount();
  await wait(0);
  expect(page.sent).toEqual(['b']);
});

test('what the server refuses is said, not sent again by itself, and sent again once it is edited', async () => {
  let answer: () => Promise<unknown> = () => Promise.reject(refusal);
  const page = edited(() => answer());
  page.edit('b');
  await wait(20_000);
  expect(page.sent).toEqual(['b']);
  expect(page.state()).toBe('failed');
  answer = () => Promise.resolve({});
  page.edit('c');
  await wait(1000);
  expect(page.sent).toEqual(['b', 'c']);
});

test('what failed on the way is tried again until it goes through', async () => {
  let tries = 0;
  const page = edited(() => (++tries < 3 ? Promise.reject(lost) : Promise.resolve({})));
  page.edit('b');
  await wait(30_000);
  expect(page.sent).toEqual(['b', 'b', 'b']);
  page.edit('b');
  expect(page.state()).toBe('saved');
});
