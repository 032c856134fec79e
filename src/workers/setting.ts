import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import type { DoorPlace } from '@/core/outing/doorDay';
import type { Outing } from '@/core/outing/outing';
import type { AthleteSpread } from '@/core/questions/athleteSpread';
import type { Wishes } from '@/core/search/wishes';

/** What questions about plans rest on. The outing carries its route as a profile of at most two thousand samples. */
export interface Setting {
  person: Person;
  /** how unsure they are known */
  unsure?: AthleteSpread;
  /** everything that is or was owned: stored plans may name pieces that have left the closet */
  closet: Garment[];
  /** ids of what is in the closet now: what may be proposed */
  inCloset: string[];
  outing: Outing;
  /** water already in garments, g/m² by id */
  damp: Record<string, number>;
  wishes: Wishes;
}

/** Who is at the door, and where: crosses once, and is asked about many days. */
export interface DoorSetting {
  person: Person;
  unsure?: AthleteSpread;
  /** what is owned now */
  closet: Garment[];
  damp: Record<string, number>;
  wishes: Wishes;
  place: DoorPlace | null;
  nowMs: number;
}
