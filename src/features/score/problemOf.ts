import type { Person } from '@/core/body/person';
import { timelineOf, type Outing } from '@/core/outing/outing';
import { OutOfRange } from '@/core/quantity/range';
import { shown, type Problem } from '@/formats/problem';

/** Why a stored outing cannot be laid out: earlier versions took what today's model does not. Null: it can. */
export function problemOf(outing: Outing, person: Person): Problem | null {
  try {
    timelineOf(outing, person);
    return null;
  } catch (e) {
    if (!(e instanceof OutOfRange)) throw e;
    return { where: outing.name, field: e.field, value: shown(e.value), allowed: e.allowed };
  }
}
