import type { PrecipitationKind } from '@/core/atmosphere/precipitation';
import type { DoorDay, DoorSky, DoorSport } from '@/core/outing/doorDay';

/**
 * The words of the spoken line, as data: what each may be called. The first of each is how the line is written back.
 * docs/formats.md is the grammar for people.
 */
export const SPORT_WORDS: readonly (readonly [DoorSport, readonly string[]])[] = [
  ['ski tour', ['ski tour', 'ski touring', 'touring', 'tour']],
  ['skate ski', ['skate ski', 'skate skiing', 'skating', 'skate']],
  ['classic ski', ['track ski', 'classic ski', 'classic', 'cross country', 'nordic', 'skiing', 'ski']],
  ['run', ['run', 'running', 'jog', 'jogging', 'trail run']],
  ['cycle', ['ride', 'riding', 'cycle', 'cycling', 'bike', 'biking']],
  ['snowshoe', ['snowshoe', 'snowshoes', 'snowshoeing']],
  ['hike', ['hike', 'hiking']],
  ['walk', ['walk', 'walking', 'stroll']],
];

/** Effort 0–10 by word; the talk test beside it. */
export const EFFORT_WORDS: readonly (readonly [number, readonly string[]])[] = [
  [2, ['very easy', 'recovery', 'gentle']],
  [3, ['easy', 'relaxed']],
  [5, ['steady', 'moderate', 'brisk']],
  [7, ['hard', 'tempo', 'fast']],
  [8.5, ['race', 'racing', 'all out']],
];

/** Wind by word, km/h at 10 m (Beaufort: light air, gentle to moderate breeze, fresh breeze, gale). */
export const WIND_WORDS: readonly (readonly [number, readonly string[]])[] = [
  [4, ['no wind', 'calm', 'still']],
  [15, ['breezy', 'breeze', 'light wind']],
  [32, ['windy', 'strong wind', 'blowing']],
  [65, ['gale', 'storm', 'stormy']],
];

export const FALL_WORDS: readonly (readonly [PrecipitationKind, readonly string[]])[] = [
  ['freezing drizzle', ['freezing drizzle', 'freezing rain']],
  ['wet snow', ['wet snow', 'slushy snow']],
  ['dry snow', ['dry snow', 'powder snow', 'snowfall', 'snowing', 'snow']],
  ['sleet', ['sleet']],
  ['rain', ['rain', 'raining', 'drizzle', 'showers', 'wet']],
  ['none', ['dry', 'nothing falls', 'no rain', 'no snow']],
];
/** How much of the usual, by the word before it. */
export const AMOUNT_WORDS: Readonly<Record<string, number>> = { light: 0.5, heavy: 2.5 };

export const SKY_WORDS: readonly (readonly [DoorSky, readonly string[]])[] = [
  ['clear', ['clear', 'sunny', 'sun', 'blue sky', 'starry']],
  ['some cloud', ['some cloud', 'broken cloud', 'half cloudy']],
  ['overcast', ['overcast', 'cloudy', 'grey', 'gray', 'fog', 'foggy']],
];

export const SHELTER_WORDS: readonly (readonly [DoorDay['shelter'], readonly string[]])[] = [
  ['forest', ['forest', 'woods', 'wood', 'trees']],
  ['ridge', ['ridge', 'summit', 'top', 'tops']],
  ['street', ['street', 'streets', 'town', 'city', 'village']],
  ['open', ['open', 'fells', 'fell', 'fields', 'exposed', 'moor']],
];

/** Words that carry nothing here. */
export const FILLERS: ReadonlySet<string> = new Set(
  'a an and at around about be by degrees deg for from feels go going i in is it its just me my of on or out outside over please so some the then there this to today under up wear what with will around temp temperature air'.split(
    ' ',
  ),
);
