'use client';
import {
  BluetoothOff,
  ClockAlert,
  HeartPulse,
  MapPinOff,
  Satellite,
  ThermometerSnowflake,
  Volume2,
  VolumeX,
  WifiOff,
} from 'lucide-react';
import type { ReactNode } from 'react';
import { temperature, type Units } from '@/formats/measures';
import type { Out } from '@/features/out/state/useOut';
import type { Sensors } from '@/features/out/state/useSensors';
import { howLong } from '@/features/out/words';
import { Big } from './Big';

const Line = ({ icon, children }: { icon: ReactNode; children: ReactNode }) => (
  <p className="flex min-h-[28px] items-center gap-2 text-[0.92rem] text-ink-2">
    {icon} <span>{children}</span>
  </p>
);

/** What the phone listens to, and where what was tapped is. */
export function Foot({
  o,
  s,
  units,
  aloud,
  onAloud,
}: {
  o: Out;
  s: Sensors;
  units: Units;
  aloud: 'aloud' | 'silent';
  onAloud: () => void;
}) {
  const { out } = o;
  const track = o.opened.pack.track !== null;
  return (
    <footer className="mt-3 border-t border-grid-2 pt-2">
      {s.strapSays ? (
        <Line icon={<BluetoothOff size={18} aria-hidden="true" />}>{s.strapSays}</Line>
      ) : s.bpm !== null ? (
        <Line icon={<HeartPulse size={18} aria-hidden="true" />}>
          Pulse from {o.rehearsal ? 'a simulated strap' : 'a strap'}
          {s.strapBattery !== null && `; its battery ${s.strapBattery} %`}
        </Line>
      ) : (
        <Line icon={<HeartPulse size={18} aria-hidden="true" />}>Pulse guessed from the plan</Line>
      )}
      {s.thermometerC !== null && (
        <Line icon={<ThermometerSnowflake size={18} aria-hidden="true" />}>
          Thermometer {temperature(s.thermometerC, units, 1)}
          {o.rehearsal && ', simulated'}
        </Line>
      )}
      {!track ? (
        <Line icon={<MapPinOff size={18} aria-hidden="true" />}>No route in this outing: the clock counts</Line>
      ) : s.gpsSays ? (
        <Line icon={<MapPinOff size={18} aria-hidden="true" />}>{s.gpsSays}</Line>
      ) : (
        <Line icon={<Satellite size={18} aria-hidden="true" />}>
          {out.gps === 'good' ? 'Place known' : 'Listening for your place'}
          {o.rehearsal && ', simulated'}
        </Line>
      )}
      <SentLine o={o} />
      <div className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(min(100%,9.5rem),1fr))] gap-2">
        <Big size="small" kind="quiet" aria-pressed={aloud === 'aloud'} onClick={onAloud}>
          {aloud === 'aloud' ? <Volume2 size={18} aria-hidden="true" /> : <VolumeX size={18} aria-hidden="true" />}
          {aloud === 'aloud' ? 'Cues are said aloud' : 'Cues only buzz'}
        </Big>
        {s.canStrap && s.bpm === null && !o.rehearsal ? (
          <Big size="small" kind="quiet" onClick={() => void s.connectStrap()}>
            <HeartPulse size={18} aria-hidden="true" /> Connect a strap
          </Big>
        ) : (
          <Big size="small" kind="quiet" onClick={() => void o.tell({ kind: 'home' })}>
            I am home
          </Big>
        )}
        {s.canStrap && s.bpm === null && !o.rehearsal && (
          <Big size="small" kind="quiet" onClick={() => void o.tell({ kind: 'home' })}>
            I am home
          </Big>
        )}
        <Big size="small" kind="quiet" className="border-act text-act" onClick={() => void o.tell({ kind: 'stuck' })}>
          We are stuck
        </Big>
      </div>
    </footer>
  );
}

/** Nothing waits for the network; what it has not heard yet is counted. */
export function SentLine({ o }: { o: Out }) {
  if (o.rehearsal) return <Line icon={<WifiOff size={18} aria-hidden="true" />}>Rehearsal: stays on this phone</Line>;
  return (
    <>
      <Line icon={<WifiOff size={18} aria-hidden="true" />}>
        {o.waiting > 0 ? `Kept here, ${o.waiting} to send` : 'Kept here and sent'}
        {o.offline && '. No signal needed'}
      </Line>
      {o.putBackMs !== 0 && (
        <Line icon={<ClockAlert size={18} aria-hidden="true" />}>
          This phone’s clock is {howLong(Math.abs(o.putBackMs) / 1000)} {o.putBackMs > 0 ? 'ahead' : 'behind'}: times
          here are those of the server it was packed from
        </Line>
      )}
      {o.refused.length > 0 && (
        <details className="text-[0.92rem]">
          <summary className="min-h-[40px] cursor-pointer font-semibold text-act">
            {o.refused.length} not taken by the server: kept here
          </summary>
          <ul>
            {o.refused.slice(0, 20).map((t) => (
              <li key={t.id}>
                {t.told.kind}:{' '}
                {(t.problems ?? []).map((p) => `${p.field} is ${p.value}; allowed: ${p.allowed}`).join('; ')}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}
