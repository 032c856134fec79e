/** @jest-environment jsdom */
import { act, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { Check } from '@/ui/Check';
import { DataTable, type Column } from '@/ui/DataTable';
import { createEdited } from '@/ui/edited';
import { NumberCell } from '@/ui/NumberCell';
import { Segments } from '@/ui/Segments';

beforeAll(() => {
  // The primitives measure themselves; this document has no layout.
  globalThis.ResizeObserver ??= class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});

test('segments are one radio group: arrows move among them, and Tab passes by', async () => {
  function Page() {
    const [v, setV] = useState<'torso' | 'hands' | 'feet'>('torso');
    const options = (['torso', 'hands', 'feet'] as const).map((value) => ({ value, label: value }));
    return <Segments label="Part" value={v} options={options} onChange={setV} />;
  }
  render(<Page />);
  const on = () => screen.getAllByRole('radio').find((r) => r.getAttribute('aria-checked') === 'true')!.textContent;
  await userEvent.click(screen.getByRole('radio', { name: 'torso' }));
  await userEvent.keyboard('{ArrowRight}');
  expect(document.activeElement!.textContent).toBe('hands');
  await userEvent.click(screen.getByRole('radio', { name: 'feet' }));
  expect(on()).toBe('feet');
});

test('a check is a box with a name, by mouse and by Space', async () => {
  const onChange = jest.fn();
  render(
    <Check checked={false} onChange={onChange}>
      use the recorded times
    </Check>,
  );
  const box = screen.getByRole('checkbox', { name: 'use the recorded times' });
  await userEvent.click(box);
  box.focus();
  await userEvent.keyboard(' ');
  expect(onChange.mock.calls).toEqual([[true], [true]]);
});

describe('a table', () => {
  interface Row {
    id: string;
    mass: number;
  }
  const rows: Row[] = [
    { id: 'b', mass: 200 },
    { id: 'a', mass: 90 },
    { id: 'c', mass: 1000 },
  ];
  const columns: Column<Row>[] = [
    { id: 'name', head: 'Piece', by: (r) => r.id, cell: (r) => r.id },
    { id: 'mass', head: 'Mass', by: (r) => r.mass, cell: (r) => `${r.mass} g` },
    { id: 'note', head: 'Note', cell: () => '–' },
  ];
  const order = () =>
    screen
      .getAllByRole('row')
      .slice(1)
      .map((r) => within(r).getAllByRole('cell')[0].textContent);

  test('is sorted by its heads, numbers as numbers, and says which way', async () => {
    render(<DataTable label="Pieces" rows={rows} columns={columns} id={(r) => r.id} />);
    expect(order()).toEqual(['b', 'a', 'c']);
    await userEvent.click(screen.getByRole('button', { name: 'Mass' }));
    expect(order()).toEqual(['a', 'b', 'c']);
    expect(screen.getByRole('columnheader', { name: 'Mass' }).getAttribute('aria-sort')).toBe('ascending');
    await userEvent.click(screen.getByRole('button', { name: 'Mass' }));
    expect(order()).toEqual(['c', 'b', 'a']);
    expect(screen.queryByRole('button', { name: 'Note' })).toBeNull();
  });

  test('a chosen row stays chosen by what it is, not by where it stands', async () => {
    const { rerender } = render(
      <DataTable label="Pieces" rows={rows} columns={columns} id={(r) => r.id} chosen="a" onChoose={jest.fn()} />,
    );
    const chosen = () => screen.getAllByRole('row').find((r) => r.getAttribute('aria-selected') === 'true')!;
    expect(chosen().textContent).toContain('90 g');
    const renamed = [{ id: 'a', mass: 91 }, rows[2], rows[0]];
    rerender(
      <DataTable label="Pieces" rows={renamed} columns={columns} id={(r) => r.id} chosen="a" onChoose={jest.fn()} />,
    );
    expect(chosen().textContent).toContain('91 g');
  });
});

describe('a number in a cell', () => {
  const rule = { label: 'Minutes', low: 1, high: 1440, unit: 'min' };
  test('is taken on Enter or when it is left, once, and not when it is wrong', async () => {
    const onTake = jest.fn();
    render(<NumberCell rule={rule} value={60} onTake={onTake} />);
    const box = screen.getByLabelText('Minutes') as HTMLInputElement;
    await userEvent.clear(box);
    await userEvent.type(box, '75{Enter}');
    expect(onTake).toHaveBeenCalledWith(75);
    onTake.mockClear();
    await userEvent.clear(box);
    await userEvent.type(box, '0');
    await userEvent.tab();
    expect(onTake).not.toHaveBeenCalled();
    expect(screen.getByRole('alert').textContent).toBe('Minutes is 0. It may be 1 to 1440 min.');
  });

  test('Esc brings the old value back', async () => {
    render(<NumberCell rule={rule} value={60} onTake={jest.fn()} />);
    const box = screen.getByLabelText('Minutes') as HTMLInputElement;
    await userEvent.clear(box);
    await userEvent.type(box, '5{Escape}');
    expect(box.value).toBe('60');
  });
});

test('edits are undone and redone one by one, and a new edit ends what could be redone', () => {
  const store = createEdited<number>(1);
  const { commit } = store.getState();
  act(() => {
    commit(2);
    commit(3);
  });
  const { undo, redo, futureStates } = store.temporal.getState();
  undo();
  expect(store.getState().value).toBe(2);
  undo();
  expect(store.getState().value).toBe(1);
  redo();
  expect(store.getState().value).toBe(2);
  commit(9);
  expect(store.temporal.getState().futureStates).toHaveLength(0);
  expect(futureStates).toBeDefined();
});
