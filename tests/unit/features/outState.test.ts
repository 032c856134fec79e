/** @jest-environment jsdom */
import 'fake-indexeddb/auto';
import { deviceName, kept, rehearsalOf, type KeptTap } from '@/features/out/state/kept';
import { sendTaps } from '@/features/out/state/sending';
import { NotDone } from '@/ui/api';
import { aPack } from '#tests/support/aPack';

if (!globalThis.structuredClone) globalThis.structuredClone = (v) => JSON.parse(JSON.stringify(v));

const OUTING = aPack().outingId;
let n = 0;
const made = (over: Partial<KeptTap> = {}): KeptTap => ({
  id: `tap ${++n}`,
  atMs: 1000 + n,
  device: 'phone',
  told: { kind: 'feels', feels: 'fine' },
  session: OUTING,
  place: 'here',
  ...over,
});
const places = async (session = OUTING) => (await kept.taps(session)).map((t) => [t.id, t.place]);
const answer =
  (refused: string[] = []) =>
  async (_: string, taps: { id: string }[]) => ({
    kept: taps.map((t) => t.id).filter((id) => !refused.includes(id)),
    refused: refused.map((id) => ({
      id,
      problems: [{ where: 'Tap', field: 'bpm', value: '999', allowed: '20 to 250' }],
    })),
  });

beforeEach(async () => {
  for (const s of [OUTING, 'other', rehearsalOf(OUTING)]) await kept.forgetSession(s);
});

describe('what was tapped, on its way to the server', () => {
  it('goes the oldest first, without what belongs to this phone alone, and is marked as sent', async () => {
    const [a, b] = [made(), made()];
    await kept.putTaps([b, a]);
    const sent: unknown[] = [];
    await sendTaps(async (outing, taps) => {
      sent.push([outing, taps]);
      return { kept: [], refused: [] };
    });
    const plain = ({ id, atMs, device, told }: KeptTap) => ({ id, atMs, device, told });
    expect(sent).toEqual([[OUTING, [plain(a), plain(b)]]]);
    expect((await places()).map(([, p]) => p)).toEqual(['sent', 'sent']);
  });
  it('stays here where nobody answers, and goes the next time', async () => {
    const a = made();
    await kept.putTaps([a]);
    const away = await sendTaps(async () => {
      throw new NotDone([], 0);
    });
    expect(away).toEqual({ changed: [], offline: true });
    expect(await places()).toEqual([[a.id, 'here']]);
    expect((await sendTaps(answer())).changed).toHaveLength(1);
  });
  it('one that is refused keeps its reason and is not sent again', async () => {
    const [a, b] = [made(), made()];
    await kept.putTaps([a, b]);
    await sendTaps(answer([a.id]));
    const [kept1] = (await kept.taps(OUTING)).filter((t) => t.id === a.id);
    expect(kept1).toMatchObject({ place: 'refused', problems: [{ field: 'bpm' }] });
    let asked = 0;
    await sendTaps(async () => {
      asked++;
      return { kept: [], refused: [] };
    });
    expect(asked).toBe(0);
  });
  it('an outing that is gone refuses its own and no other', async () => {
    const [a, b] = [made(), made({ session: 'other' })];
    await kept.putTaps([a, b]);
    await sendTaps(async (outing, taps) => {
      if (outing === OUTING)
        throw new NotDone([{ where: 'Request', field: 'item', value: 'not there', allowed: '' }], 404);
      return answer()(outing, taps);
    });
    expect(await places()).toEqual([[a.id, 'refused']]);
    expect(await places('other')).toEqual([[b.id, 'sent']]);
  });
  it('a rehearsal never leaves the phone', async () => {
    await kept.putTaps([made({ session: rehearsalOf(OUTING), place: 'sent' })]);
    expect(await kept.unsent()).toEqual([]);
  });
  it('unpacking keeps what was not sent', async () => {
    await kept.putPack(aPack());
    const [a, b] = [made(), made({ place: 'sent' })];
    await kept.putTaps([a, b, made({ session: rehearsalOf(OUTING), place: 'sent' })]);
    await kept.dropPack(OUTING);
    expect(await kept.pack(OUTING)).toBeUndefined();
    expect(await places()).toEqual([[a.id, 'here']]);
    expect(await places(rehearsalOf(OUTING))).toEqual([]);
  });
  it('this phone has one name', async () => {
    expect(await deviceName(() => 'phone a')).toBe('phone a');
    expect(await deviceName(() => 'phone b')).toBe('phone a');
  });
});
