/** Numbers of the Bluetooth SIG's assigned numbers: the service of a heart-rate strap, what it measures, and battery. */
export const HEART_RATE = { service: 0x180d, measurement: 0x2a37, battery: 0x180f, batteryLevel: 0x2a19 } as const;

/** One measurement of a strap. */
export interface HeartRate {
  /** bpm */
  bpm: number;
  /** whether the strap touches the skin; null: it cannot tell */
  contact: 'yes' | 'no' | null;
  /** times between beats, s; empty where it does not send them */
  beatsS: number[];
}

const FLAG = { wide: 0x01, contact: 0x02, contactKnown: 0x04, energy: 0x08, beats: 0x10 } as const;
/** Beats come in 1024ths of a second. */
const BEAT_S = 1 / 1024;

/**
 * Reads a Heart Rate Measurement (Bluetooth Heart Rate Service 1.0, 0x2A37): flags, then the rate in one byte or two, energy if there
 * is any, then times between beats, little end first. @returns null for one that is cut off
 */
export function readHeartRate(data: DataView): HeartRate | null {
  if (data.byteLength < 2) return null;
  const flags = data.getUint8(0);
  const wide = (flags & FLAG.wide) !== 0;
  if (wide && data.byteLength < 3) return null;
  const bpm = wide ? data.getUint16(1, true) : data.getUint8(1);
  let at = wide ? 3 : 2;
  if (flags & FLAG.energy) at += 2;
  const beatsS: number[] = [];
  if (flags & FLAG.beats) for (; at + 2 <= data.byteLength; at += 2) beatsS.push(data.getUint16(at, true) * BEAT_S);
  const contact = flags & FLAG.contactKnown ? (flags & FLAG.contact ? 'yes' : 'no') : null;
  return { bpm, contact, beatsS };
}

/** The same as bytes: what the simulated strap sends. */
export function writeHeartRate({ bpm, contact, beatsS }: HeartRate): DataView {
  const wide = bpm > 255;
  const bytes = new DataView(new ArrayBuffer((wide ? 3 : 2) + 2 * beatsS.length));
  let flags = wide ? FLAG.wide : 0;
  if (contact !== null) flags |= FLAG.contactKnown | (contact === 'yes' ? FLAG.contact : 0);
  if (beatsS.length > 0) flags |= FLAG.beats;
  bytes.setUint8(0, flags);
  if (wide) bytes.setUint16(1, bpm, true);
  else bytes.setUint8(1, bpm);
  beatsS.forEach((s, i) => bytes.setUint16((wide ? 3 : 2) + 2 * i, Math.round(s / BEAT_S), true));
  return bytes;
}
