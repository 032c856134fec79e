'use client';
import { useEffect, useRef, useState } from 'react';
import { findOn, isOff, type Fix } from '@/core/outing/track';
import { metresAt } from '@/core/outing/wayClock';
import { HEART_RATE, readHeartRate } from '@/formats/heartRate';
import { PLAIN_WALK, strapAt, strapBatteryAt, thermometerAt, walkerAt } from '@/standins/sensors/sensors';
import type { Out } from './useOut';

/** A place and a pulse are kept this often, s: more would say nothing more. */
const KEEP_EVERY_S = 60;
/** Moved so far along the route, m, whoever is still at the door has started. */
const STARTED_M = 60;

export interface Sensors {
  /** pulse now, bpm, and the strap's battery, %; null: not known */
  bpm: number | null;
  strapBattery: number | null;
  /** °C by a thermometer that is along; null: none */
  thermometerC: number | null;
  /** the browser can speak to a strap */
  canStrap: boolean;
  connectStrap: () => Promise<void>;
  strapSays: string | null;
  /** why there is no place; null: there is, or none is wanted */
  gpsSays: string | null;
}

/** What tells of place, pulse and air: the phone's own, a strap over the air, or in a rehearsal the simulated ones. */
export function useSensors(o: Out | null): Sensors {
  const [bpm, setBpm] = useState<number | null>(null);
  const [strapBattery, setBattery] = useState<number | null>(null);
  const [thermometerC, setAir] = useState<number | null>(null);
  const [strapSays, setStrapSays] = useState<string | null>(null);
  const [gpsSays, setGpsSays] = useState<string | null>(null);
  const at = useRef(o);
  at.current = o;
  const keptAt = useRef({ fix: -Infinity, pulse: -Infinity, beat: -Infinity });

  const heardFix = (fix: Fix) => {
    const now = at.current;
    const { track } = now?.opened.pack ?? {};
    if (!now || !track || now.out.stage === 'home') return;
    const found = findOn(track, fix, metresAt(now.opened.timeline, now.out.wayS));
    if (!found) return;
    if (now.out.stage === 'door') {
      if (found.metres > STARTED_M && found.offM < STARTED_M && now.out.startMs === null && readyToStart(now))
        void now.start('moving');
      return;
    }
    if (now.out.nowS - keptAt.current.fix < KEEP_EVERY_S) return;
    keptAt.current.fix = now.out.nowS;
    void now.tell({
      kind: 'fix',
      metres: Math.round(found.metres),
      offM: isOff(found, fix) ? Math.round(found.offM) : 0,
    });
  };
  const heardPulse = (data: DataView) => {
    const beat = readHeartRate(data);
    const now = at.current;
    if (!beat || beat.contact === 'no' || beat.bpm < 25 || !now) return;
    setBpm(beat.bpm);
    keptAt.current.beat = now.out.nowS;
    if (now.out.stage !== 'way' || now.out.nowS - keptAt.current.pulse < KEEP_EVERY_S) return;
    keptAt.current.pulse = now.out.nowS;
    void now.tell({ kind: 'pulse', bpm: beat.bpm });
  };

  const rehearsal = o?.rehearsal ?? false;
  const stage = o?.out.stage;
  // The simulated ones.
  useEffect(() => {
    if (!rehearsal || stage !== 'way') return;
    const timer = setInterval(() => {
      const now = at.current;
      if (!now || now.clock?.speed === 0 || now.out.stuckS !== null || now.out.stoppedS !== null) return;
      const { pack, timeline } = now.opened;
      const { nowS } = now.out;
      if (pack.track) {
        const fix = walkerAt(PLAIN_WALK, pack.track, timeline, nowS);
        if (fix) heardFix(fix);
      }
      const beat = strapAt(PLAIN_WALK, pack.person, timeline, nowS);
      if (beat) heardPulse(beat);
      setAir(thermometerAt(PLAIN_WALK, timeline, nowS));
      setBattery(strapBatteryAt(nowS));
    }, 500);
    return () => clearInterval(timer);
  }, [rehearsal, stage]);

  // The phone's own place.
  const wanted = !rehearsal && stage !== undefined && stage !== 'home' && !!o?.opened.pack.track;
  useEffect(() => {
    if (!wanted) return;
    if (!('geolocation' in navigator)) return setGpsSays('this phone tells no place: the clock counts');
    const watch = navigator.geolocation.watchPosition(
      ({ coords }) => {
        setGpsSays(null);
        heardFix({ lat: coords.latitude, lon: coords.longitude, accuracyM: coords.accuracy });
      },
      (e) =>
        setGpsSays(
          e.code === e.PERMISSION_DENIED
            ? 'place not allowed: the clock counts'
            : 'no place to be had now: the clock counts',
        ),
      { enableHighAccuracy: true, maximumAge: 10_000, timeout: 60_000 },
    );
    return () => navigator.geolocation.clearWatch(watch);
  }, [wanted]);

  const connectStrap = async () => {
    try {
      const device = await navigator.bluetooth.requestDevice({
        filters: [{ services: [HEART_RATE.service] }],
        optionalServices: [HEART_RATE.battery],
      });
      setStrapSays('connecting');
      device.addEventListener('gattserverdisconnected', () => {
        setStrapSays('strap lost: pulse guessed from the plan');
        setBpm(null);
      });
      const server = await device.gatt!.connect();
      const service = await server.getPrimaryService(HEART_RATE.service);
      const measured = await service.getCharacteristic(HEART_RATE.measurement);
      measured.addEventListener('characteristicvaluechanged', () => measured.value && heardPulse(measured.value));
      await measured.startNotifications();
      setStrapSays(null);
      const level = await server
        .getPrimaryService(HEART_RATE.battery)
        .then((s) => s.getCharacteristic(HEART_RATE.batteryLevel))
        .then((c) => c.readValue())
        .catch(() => null);
      if (level) setBattery(level.getUint8(0));
    } catch (e) {
      if ((e as Error).name !== 'NotFoundError') setStrapSays(`no strap: ${(e as Error).message}`);
    }
  };

  return {
    bpm: o?.out.strap === 'lost' ? null : bpm,
    strapBattery,
    thermometerC,
    canStrap: typeof navigator !== 'undefined' && 'bluetooth' in navigator,
    connectStrap,
    strapSays: o?.out.strap === 'lost' ? 'strap lost: pulse guessed from the plan' : strapSays,
    gpsSays: o?.out.gps === 'lost' ? 'place lost: the clock counts' : gpsSays,
  };
}

/** Nobody starts by moving hours before the time: whoever walks to the bus is not on the way. */
const EARLY_MS = 3600_000;
const readyToStart = (o: Out): boolean => {
  const { outing } = o.opened.pack;
  return o.nowMs > outing.startMs - outing.utcOffsetMin * 60_000 - EARLY_MS;
};
