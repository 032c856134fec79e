import psychrolib from 'psychrolib';
import { airConductivity, pressureAt, waterConductivity } from '@/core/atmosphere/air';
import { radiation } from '@/core/atmosphere/boundaryLayer';
import { saturationPressure, wetBulb } from '@/core/atmosphere/humidity';
import { freezingMinutes, windChillC, windChillF } from '@/core/atmosphere/windChill';
import { haurwitz, onGround } from '#tests/support/clearSky';
import type { CheckRow } from './row';

/** Minutes until bare skin freezes: the middle of the band of the chart, and half of it. */
const freezesRow = (airF: number, mph: number, [low, high]: readonly [number, number]): CheckRow => ({
  quantity: `bare skin freezes, ${airF} °F and ${mph} mph`.replace('-', '−'),
  source: 'US NWS chart (m)',
  theirs: (low + high) / 2,
  ours: freezingMinutes(((airF - 32) * 5) / 9, mph * 1.609344),
  unit: 'min',
  tolerance: (high - low) / 2,
  absolute: true,
});

const sunRow = (altitudeDeg: number): CheckRow => ({
  quantity: `clear sun on level ground, ${altitudeDeg}° high`,
  source: 'Haurwitz 1945 (m)',
  theirs: haurwitz(altitudeDeg),
  ours: onGround(altitudeDeg),
  unit: 'W/m²',
  tolerance: 0.15,
});

export function airRows(): CheckRow[] {
  psychrolib.SetUnitSystem(psychrolib.SI);
  return [
    {
      quantity: 'wind chill, 0 °F and 15 mph',
      source: 'US NWS chart',
      theirs: -19,
      ours: windChillF(0, 15),
      unit: '°F',
      tolerance: 0.5,
      absolute: true,
    },
    {
      quantity: 'wind chill, −25 °C and 40 km/h',
      source: 'Environment Canada chart',
      theirs: -41,
      ours: windChillC(-25, 40),
      unit: '°C',
      tolerance: 0.5,
      absolute: true,
    },
    ...[10, 20, 40].map(sunRow),
    freezesRow(0, 25, [10, 30]),
    freezesRow(-20, 25, [5, 10]),
    freezesRow(-35, 40, [0, 5]),
    {
      quantity: 'saturation pressure over ice, −10 °C',
      source: 'psychrolib (ASHRAE)',
      theirs: psychrolib.GetSatVapPres(-10),
      ours: saturationPressure(-10),
      unit: 'Pa',
      tolerance: 1e-4,
    },
    {
      quantity: 'wet bulb, 5 °C and 70 %',
      source: 'psychrolib (ASHRAE)',
      theirs: psychrolib.GetTWetBulbFromRelHum(5, 0.7, 101325),
      ours: wetBulb(5, 0.7),
      unit: '°C',
      tolerance: 0.05,
      absolute: true,
    },
    {
      quantity: 'air pressure at 1184 m',
      source: 'psychrolib (ASHRAE)',
      theirs: psychrolib.GetStandardAtmPressure(1184),
      ours: pressureAt(1184),
      unit: 'Pa',
      tolerance: 1e-4,
    },
    {
      quantity: 'water over air, conductivity',
      source: 'handbook; common practice',
      theirs: 25,
      ours: waterConductivity(10) / airConductivity(10),
      unit: '1',
      tolerance: 0.1,
    },
    {
      quantity: 'radiation of clothes in a room of 22 °C',
      source: 'ISO 7730; ASHRAE',
      theirs: 4.7,
      ours: radiation(22),
      unit: 'W/m²K',
      tolerance: 0.4,
      absolute: true,
    },
    {
      quantity: 'radiation in −30 °C',
      source: '4 ε σ T³',
      theirs: 2.75,
      ours: radiation(-30),
      unit: 'W/m²K',
      tolerance: 0.25,
      absolute: true,
    },
  ];
}
