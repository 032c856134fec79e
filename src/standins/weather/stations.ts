import type { Station } from '@/formats/stationJson';

/** How a station lies: share of the free wind it gets, and how strongly its nights cool, K. */
export interface Site {
  station: Station;
  exposure: number;
  nightK: number;
}

const fells = { utcOffsetMin: 0 };

/** The simulated stations of the Tarnholt fells: invented places. */
export const SITES: readonly Site[] = [
  {
    station: { ...fells, id: 'tarnholt-valley', name: 'Tarnholt valley', latitude: 54.52, longitude: -2.61, eleM: 210 },
    exposure: 0.75,
    nightK: 3,
  },
  {
    station: { ...fells, id: 'lang-tarn', name: 'Lang Tarn', latitude: 54.55, longitude: -2.66, eleM: 520 },
    exposure: 1,
    nightK: 2.2,
  },
  {
    station: { ...fells, id: 'skarn-head', name: 'Skarn Head', latitude: 54.57, longitude: -2.69, eleM: 905 },
    exposure: 1.7,
    nightK: 1,
  },
];
