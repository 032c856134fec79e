'use client';
import { useHotkeys } from 'react-hotkeys-hook';
import { PAGE_KEYS } from '@/ui/pageKeys';
import { act } from '@/core/kit/edit';
import { isWorn, settingAt } from '@/core/kit/replay';
import { SCORE_KEYS, type ScoreKey } from './keys';
import type { Pointing } from './pointing';
import type { Score } from './state/useScore';

const MINUTE_S = 60;
const FAR_S = 600;

/** Keys of the score, from the one table. Where a form, a list or a cue has the focus, they leave its keys alone. */
export function useScoreKeys(score: Score, at: Pointing, onHelp: () => void): void {
  const { plan, timeline, garments } = score;
  const { cursorS, selected } = at;
  const garment = selected ? garments.get(selected) : undefined;
  const move = (by: number) => at.setCursor(Math.min(timeline.endS, Math.max(0, cursorS + by)));
  const jump = (way: 'before' | 'after') => {
    const list = plan!.cues.map((c, i) => ({ i, at: c.atS }));
    const next =
      way === 'after' ? list.find((c) => c.at > cursorS + 1) : [...list].reverse().find((c) => c.at < cursorS - 1);
    if (!next) return;
    at.setCursor(next.at);
    at.setCue(next.i);
  };
  const doings: Record<ScoreKey, () => void> = {
    back: () => move(-MINUTE_S),
    on: () => move(MINUTE_S),
    'back far': () => move(-FAR_S),
    'on far': () => move(FAR_S),
    'cue before': () => jump('before'),
    'cue after': () => jump('after'),
    undo: score.undo,
    redo: score.redo,
    help: onHelp,
    'let go': at.letGo,
    take: () => score.proposal && score.commit(score.proposal.plan),
    pack: () => {
      if (!garment) return;
      const worn = isWorn(plan!, garment.id, cursorS);
      score.commit(act(plan!, { do: worn ? 'takeOff' : 'putOn', garment: garment.id }, cursorS));
    },
    vent: () => {
      const opening = garment?.openings[0];
      if (!garment || !opening || !isWorn(plan!, garment.id, cursorS)) return;
      const setting = settingAt(plan!, garment, opening.id, cursorS) > 0.5 ? 0 : 1;
      score.commit(act(plan!, { do: 'set', garment: garment.id, opening: opening.id, setting }, cursorS));
    },
  };
  useHotkeys(
    SCORE_KEYS.flatMap((k) => (k.also ? [k.keys, k.also] : [k.keys])),
    (e, hotkey) => {
      const row = SCORE_KEYS.find((k) => k.keys === hotkey.hotkey || k.also === hotkey.hotkey);
      // Enter presses whatever has the focus; only with nothing focused does it take the proposal.
      if (!row || !plan || (row.does === 'take' && e.target !== document.body)) return;
      e.preventDefault();
      doings[row.does]();
    },
    PAGE_KEYS,
  );
}
