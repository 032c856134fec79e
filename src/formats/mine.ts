import { AVERAGE_PERSON, checkPerson, type Person } from '@/core/body/person';
import { closetAs } from '@/core/calibrate/garments';
import { unsureOf } from '@/core/calibrate/unsure';
import type { AthleteSpread } from '@/core/questions/athleteSpread';
import { athleteAs } from '@/core/calibrate/learned';
import { CATALOGUE } from '@/core/clothing/catalogue';
import type { Garment } from '@/core/clothing/garment';
import { checkWishes, PLAIN_WISHES, type Wishes } from '@/core/search/wishes';
import { toGarments, type GarmentRef } from './caseFile';
import { atDoor } from './problem';
import { unpackArchive } from './archive';
import { mineSchema, type PartialPerson } from './schemas';
import { parseJson, validated } from './validate';

/** Who asks, and from which closet. */
export interface Mine {
  person: Person;
  /** how unsure they are known */
  unsure?: AthleteSpread;
  closet: Garment[];
  damp: Record<string, number>;
  wishes: Wishes;
}

/** Whoever nobody says anything about: an average person with one of everything. */
export const ANYBODY: Mine = { person: AVERAGE_PERSON, closet: [...CATALOGUE], damp: {}, wishes: PLAIN_WISHES };

interface MineFile {
  athlete?: PartialPerson;
  garments?: GarmentRef[];
  wishes?: Partial<Wishes>;
}

/** Reads athlete and closet: an archive as "Everything as one file" saves it, or JSON with `athlete`, `garments` and `wishes`. @throws Refused */
export function readMine(bytes: Uint8Array, file: string): Mine {
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) {
    const { archive } = unpackArchive(bytes, file);
    const owned = archive.garments.filter((g) => g.removedAt === null);
    return {
      person: archive.athlete.known ? athleteAs(archive.athlete.person, archive.athlete.known) : archive.athlete.person,
      unsure: unsureOf(archive.athlete.known ?? null),
      wishes: archive.athlete.wishes,
      closet: [
        ...closetAs(
          owned.map((g) => ({ ...g.garment, id: g.id })),
          archive.athlete.known?.garments,
        ),
      ],
      damp: Object.fromEntries(owned.filter((g) => g.dampGm2 > 0).map((g) => [g.id, g.dampGm2])),
    };
  }
  const m = validated<MineFile>(mineSchema, parseJson(new TextDecoder().decode(bytes), file), file);
  const damp: Record<string, number> = {};
  return atDoor(file, () => ({
    person: checkPerson({ ...AVERAGE_PERSON, ...m.athlete }),
    wishes: checkWishes({ ...PLAIN_WISHES, ...m.wishes }),
    closet: m.garments ? toGarments(m.garments, file, damp) : [...CATALOGUE],
    damp,
  }));
}
