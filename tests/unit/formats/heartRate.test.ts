import { readHeartRate, writeHeartRate, type HeartRate } from '@/formats/heartRate';

const bytes = (...b: number[]) => new DataView(Uint8Array.from(b).buffer);

// Bluetooth Heart Rate Service 1.0, Heart Rate Measurement: flags, rate in 8 or 16 bits, energy, RR intervals of 1/1024 s.
describe('what a strap sends', () => {
  it.each<[string, DataView, HeartRate]>([
    ['one byte, nothing else', bytes(0x00, 62), { bpm: 62, contact: null, beatsS: [] }],
    ['two bytes, little end first', bytes(0x01, 0x2c, 0x01), { bpm: 300, contact: null, beatsS: [] }],
    ['contact known and there', bytes(0x06, 140), { bpm: 140, contact: 'yes', beatsS: [] }],
    ['contact known and lost', bytes(0x04, 0), { bpm: 0, contact: 'no', beatsS: [] }],
    ['energy is passed over', bytes(0x08, 120, 0xff, 0xff), { bpm: 120, contact: null, beatsS: [] }],
    ['beats of 1/1024 s', bytes(0x10, 60, 0x00, 0x04, 0x00, 0x02), { bpm: 60, contact: null, beatsS: [1, 0.5] }],
    ['all at once', bytes(0x1f, 130, 0, 10, 0, 0x00, 0x02), { bpm: 130, contact: 'yes', beatsS: [0.5] }],
  ])('%s', (_, data, is) => expect(readHeartRate(data)).toEqual(is));
  it.each([
    ['nothing', bytes()],
    ['flags alone', bytes(0x00)],
    ['half of two bytes', bytes(0x01, 60)],
  ])('cut off: %s', (_, data) => expect(readHeartRate(data)).toBeNull());
  it('is read back as it was written', () => {
    for (const r of [
      { bpm: 61, contact: null, beatsS: [0.5, 1] },
      { bpm: 290, contact: 'no' as const, beatsS: [] },
    ])
      expect(readHeartRate(writeHeartRate(r))).toEqual(r);
  });
});
