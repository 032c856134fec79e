'use client';
import { Ellipsis } from 'lucide-react';
import dynamic from 'next/dynamic';
import { DropdownMenu } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { problemsOf, request } from '@/ui/api';
import { Button } from '@/ui/Button';
import { Input } from '@/ui/fields';
import { Problems } from '@/ui/Problems';
import { Sheet } from '@/ui/Sheet';
import { useToasts } from '@/ui/toasts';
import { useRefresh } from '@/ui/useRefresh';
import type { Problem } from '@/formats/problem';

// A code is drawn when it is asked for.
const SendToPhone = dynamic(() => import('@/features/out/SendToPhone').then((m) => m.SendToPhone), { ssr: false });

const item =
  'flex w-full cursor-pointer items-center px-3 py-1.5 text-[13px] outline-none data-[highlighted]:bg-worn data-[disabled]:opacity-45';

/** What can be done with an outing as a whole. Putting away and deleting can be taken back. */
export function OutingMenu({ id, name, route }: { id: string; name: string; route: boolean }) {
  const [renaming, setRenaming] = useState(false);
  const [sending, setSending] = useState(false);
  const { problems, act, drop } = useActs();
  const say = useToasts((s) => s.say);
  const path = `/api/outings/${id}`;

  const remove = () =>
    act(async () => {
      await request('DELETE', path);
      say(`“${name}” is deleted, with its plans.`, () => void act(() => request('PATCH', path, { deleted: false })));
    });
  const putAway = () =>
    act(async () => {
      await request('PATCH', path, { archived: true });
      say(`“${name}” is put away.`, () => void act(() => request('PATCH', path, { archived: false })));
    });
  const copy = () =>
    act(async () => {
      await request('POST', `${path}/copy`);
      say(`“${name}” is there twice now.`);
    });

  return (
    <>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger
          className="inline-flex cursor-pointer items-center gap-1 min-h-[24px] rounded-[3px] px-1.5 text-ink-2 hover:bg-worn hover:text-ink"
          aria-label={`More to do with ${name}`}
        >
          <Ellipsis size={15} aria-hidden="true" /> more
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content align="start" sideOffset={4} className="z-50 min-w-44 border border-ink bg-paper py-1">
            <Item onSelect={() => setRenaming(true)}>Rename…</Item>
            <Item onSelect={copy}>Duplicate</Item>
            <Item onSelect={putAway}>Put away</Item>
            <Item onSelect={() => setSending(true)}>Send to phone…</Item>
            <DropdownMenu.Separator className="my-1 h-px bg-grid-2" />
            <DropdownMenu.Item asChild className={item}>
              <a href={`${path}/export?as=json`} download>
                Save as JSON
              </a>
            </DropdownMenu.Item>
            {route && (
              <DropdownMenu.Item asChild className={item}>
                <a href={`${path}/export?as=gpx`} download>
                  Save the route as GPX
                </a>
              </DropdownMenu.Item>
            )}
            <DropdownMenu.Separator className="my-1 h-px bg-grid-2" />
            <Item onSelect={remove}>Delete</Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {sending && <SendToPhone open onOpen={setSending} outingId={id} />}
      {problems.length > 0 && <Problems problems={problems} title="Not done. Nothing was changed." />}
      <Rename
        open={renaming}
        onOpen={(open) => {
          setRenaming(open);
          drop();
        }}
        name={name}
        onName={(next) =>
          act(async () => {
            await request('PATCH', path, { name: next });
            setRenaming(false);
          })
        }
      />
    </>
  );
}

function Item({ onSelect, children }: { onSelect: () => void; children: ReactNode }) {
  return (
    <DropdownMenu.Item className={item} onSelect={onSelect}>
      {children}
    </DropdownMenu.Item>
  );
}

/** Asks the server and shows the list anew; what it would not do is kept to be shown. */
function useActs() {
  const refresh = useRefresh();
  const [problems, setProblems] = useState<Problem[]>([]);
  const act = async (work: () => Promise<unknown>): Promise<void> => {
    try {
      await work();
      setProblems([]);
      refresh();
    } catch (e) {
      setProblems(problemsOf(e));
    }
  };
  return { problems, act, drop: () => setProblems([]) };
}

function Rename({
  open,
  onOpen,
  name,
  onName,
}: {
  open: boolean;
  onOpen: (open: boolean) => void;
  name: string;
  onName: (name: string) => void;
}) {
  return (
    <Sheet open={open} onOpen={onOpen} title="Rename the outing" width={460}>
      <form
        className="mt-3 flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          const next = String(new FormData(e.currentTarget).get('name') ?? '').trim();
          if (next !== '') onName(next);
        }}
      >
        <Input
          name="name"
          aria-label="Name of the outing"
          defaultValue={name}
          maxLength={120}
          required
          className="flex-1"
        />
        <Button kind="strong" type="submit">
          Rename
        </Button>
      </form>
    </Sheet>
  );
}
