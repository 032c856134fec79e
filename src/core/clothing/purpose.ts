import { SPORT, type Sport } from '@/core/effort/sports';
import type { Garment } from './garment';

/** Whether a garment may be worn for a sport: made for anything, or for what that sport asks of boots, helmets and bar covers. */
export const suitsSport = (g: Garment, sport: Sport): boolean =>
  g.suits.length === 0 || g.suits.includes(SPORT[sport].purpose);

/** Ret from which cloth is a vapour barrier, m²Pa/W: worn next to the skin only by those who mean to (engineering value). */
export const BARRIER_RET = 100;

export const isBarrier = (g: Garment): boolean => g.ret >= BARRIER_RET;

/** A vapour barrier next to the skin of hands or feet: a habit, not the next thinner liner. */
export const isBarrierLiner = (g: Garment): boolean => g.role === 'liner' && isBarrier(g);

/** What is kept dry for stops: the jacket and the over-trousers. */
export const isStandby = (g: Garment): boolean => (g.group === 'torso' || g.group === 'legs') && g.role === 'warm';

/** What is worn over the body by choice; boots and helmets are what the sport asks for. */
export const isLayer = (g: Garment): boolean => g.group === 'torso' || g.group === 'legs' || g.group === 'hands';

/** Whether of two pieces only one is worn at a time: pairs before the eyes, and padded ones on the hands. */
export const oneAtATime = (a: Pick<Garment, 'group' | 'role'>, b: Pick<Garment, 'group' | 'role'>): boolean =>
  a.group === b.group && (a.group === 'eyes' || (a.group === 'hands' && a.role === 'warm' && b.role === 'warm'));
