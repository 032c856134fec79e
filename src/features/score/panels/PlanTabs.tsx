'use client';
import { Copy, MoreHorizontal } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { FormProvider, useForm } from 'react-hook-form';
import { planDifference } from '@/core/kit/difference';
import { cueText } from '@/core/kit/cueWords';
import { clock } from '@/formats/dates';
import type { StoredPlan } from '@/store/plans';
import { problemsOf } from '@/ui/api';
import { Button } from '@/ui/Button';
import { TextField } from '@/ui/fields';
import { Sheet } from '@/ui/Sheet';
import { useToasts } from '@/ui/toasts';
import { garmentName, type Score } from '@/features/score/state/useScore';

/** The stored plans of this outing: choose, keep a copy, rename, lay beside another, delete. */
export function PlanTabs({ score }: { score: Score }) {
  const { plans, shown, keep } = score.kept;
  const [beside, setBeside] = useState<StoredPlan | null>(null);
  return (
    <>
      <div role="group" aria-label="Plans" className="flex flex-wrap items-center gap-1">
        {plans.map((p) => (
          <button
            key={p.id}
            onClick={() => p.id !== shown?.id && score.choose(p)}
            aria-pressed={p.id === shown?.id}
            className={`max-w-[180px] cursor-pointer truncate rounded-[3px] border px-2 py-0.5 text-[12px] ${p.id === shown?.id ? 'border-ink bg-ink font-semibold text-sheet' : 'border-grid-2 bg-sheet'}`}
            title={p.name}
          >
            {p.name}
          </button>
        ))}
        {shown && <PlanMenu key={shown.id} score={score} plan={shown} onBeside={setBeside} />}
        <Button
          kind="quiet"
          size="small"
          onClick={() => score.settled && keep(score.settled)}
          title="Keep this as another plan"
        >
          <Copy size={13} aria-hidden="true" /> keep a copy
        </Button>
      </div>
      {beside && shown && (
        <Sheet open onOpen={() => setBeside(null)} title={`${shown.name} and ${beside.name}`}>
          <Difference score={score} a={shown} b={beside} />
        </Sheet>
      )}
    </>
  );
}

function PlanMenu({
  score,
  plan,
  onBeside,
}: {
  score: Score;
  plan: StoredPlan;
  onBeside: (other: StoredPlan) => void;
}) {
  const [open, setOpen] = useState(false);
  const form = useForm({ values: { name: plan.name } });
  const say = useToasts((t) => t.say);
  const others = score.kept.plans.filter((p) => p.id !== plan.id);
  const remove = async () => {
    setOpen(false);
    try {
      await score.kept.remove(plan);
    } catch (e) {
      say(`Not deleted: ${problemsOf(e)[0].field} ${problemsOf(e)[0].value}.`);
      return;
    }
    if (others.length > 0) score.choose(others[others.length - 1]);
    else score.kept.choose(null);
    say(`${plan.name} is deleted.`, () => {
      score.replace(plan.plan);
      score.kept.keep(plan.plan, plan.name);
    });
  };
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button kind="quiet" size="small" aria-label={`What to do with ${plan.name}`}>
          <MoreHorizontal size={15} aria-hidden="true" />
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          align="start"
          collisionPadding={12}
          className="z-20 w-[300px] space-y-3 border-2 border-ink bg-paper p-3"
        >
          <FormProvider {...form}>
            <form
              className="flex items-end gap-2"
              onSubmit={form.handleSubmit(({ name }) => {
                score.kept.rename(plan, name.trim());
                setOpen(false);
              })}
            >
              <div className="min-w-0 flex-1">
                <TextField<{ name: string }> name="name" label="Name of the plan" required />
              </div>
              <Button type="submit">Rename</Button>
            </form>
          </FormProvider>
          {others.length > 0 && (
            <div>
              <b>What is different in</b>
              <div className="mt-1 flex flex-wrap gap-1">
                {others.map((p) => (
                  <Button
                    key={p.id}
                    size="small"
                    onClick={() => {
                      setOpen(false);
                      onBeside(p);
                    }}
                  >
                    {p.name}
                  </Button>
                ))}
              </div>
            </div>
          )}
          <Button kind="quiet" size="small" className="text-act" onClick={() => void remove()}>
            Delete {plan.name}
          </Button>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** What one plan does that the other does not, in words. */
function Difference({ score, a, b }: { score: Score; a: StoredPlan; b: StoredPlan }) {
  const d = planDifference(score.settled ?? a.plan, b.plan);
  const names = (ids: readonly string[]) =>
    ids.map((id) => garmentName(score.garments, id)).join(', ') || 'nothing more';
  const side = (which: 0 | 1) => (
    <div className="min-w-0">
      <h3 className="font-semibold">Only in {which === 0 ? a.name : b.name}</h3>
      <p className="mt-1">
        <b>Start in:</b> {names(d.worn[which])}.
      </p>
      <p>
        <b>Carry:</b> {names(d.carried[which])}.
      </p>
      <ul className="mt-1 list-disc pl-4">
        {d.cues[which].map((c) => (
          <li key={c.atS}>
            {clock(c.atS)} {cueText(c, score.garments).join('; ')}
          </li>
        ))}
      </ul>
    </div>
  );
  const same = [...d.worn, ...d.carried, ...d.cues].every((list) => list.length === 0);
  return same ? (
    <p className="mt-3">They say the same.</p>
  ) : (
    <div className="mt-3 grid grid-cols-2 gap-6 max-[560px]:grid-cols-1">
      {side(0)}
      {side(1)}
    </div>
  );
}
