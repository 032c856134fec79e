import { run, type Run } from '#tests/support/runCase';

/**
 * Facts of the trade: common practice, no published source. What is worn and opened on rides, climbs, lifts and in boots, through the public entry; the
 * tolerances are ours where none is stated.
 */
const FEET = ['wool-socks', 'winter-boots'];

describe('16. on snow rides one hooded jacket over a merino base is regulated by zip, vents and hood alone from −1 to −17 °C', () => {
  const ride = (airC: number, open: number) =>
    run({
      airC,
      wind: 3.5,
      legs: [
        {
          minutes: 90,
          sport: 'cycle',
          metabolicW: 800,
          externalW: 160,
          worn: [
            'briefs',
            'thin-merino-base',
            'lined-soft-shell',
            'brushed-tights',
            'soft-trousers',
            'thin-cap',
            'bar-covers',
            'fleece-mitts',
            ...FEET,
          ],
          openings: { 'lined-soft-shell': { zip: open, pits: open, hood: open } },
        },
      ],
    });

  test.each([
    [-1, 1],
    [-9, 0.15],
    [-17, 0],
  ])('in %d °C, opened by %d, it is right', (airC, open) => {
    const r = ride(airC, open);
    for (const minute of [30, 60, 90]) expect(r.sensation(minute)).toBeWithin(-1.2, 1);
    expect(r.skin('fingers', 90)).toBeGreaterThan(20);
  });

  test('shut in −1 °C it is too warm, and soaks up twice as much; open in −17 °C it is far too cold', () => {
    const [shut, open] = [ride(-1, 0), ride(-1, 1)];
    expect(shut.sensation(90)).toBeGreaterThan(1);
    const held = (r: Run) => r.scored.metrics.waterEnd;
    expect(held(shut)).toBeGreaterThan(2 * held(open));
    expect(ride(-17, 1).sensation(90)).toBeLessThan(-2);
  });
});

test('17. whoever slows down in the last minutes before a summit arrives drier, and a damp base is dry after some 20 minutes', () => {
  const worn = [
    'briefs',
    'thin-merino-base',
    'wind-shell',
    'soft-trousers',
    'wool-socks',
    'touring-boots',
    'thin-cap',
    'liner-gloves',
  ];
  const climb = (lastW: number) =>
    run({
      airC: -6,
      wind: 2,
      legs: [
        { minutes: 60, sport: 'ski tour', metabolicW: 780, worn, openings: { 'wind-shell': { zip: 1, hood: 1 } } },
        { minutes: 12, sport: 'ski tour', metabolicW: lastW },
        {
          minutes: 20,
          sport: 'stand',
          metabolicW: 130,
          worn: [...worn, 'standby-puffy'],
          openings: { 'wind-shell': { zip: 0 } },
        },
      ],
    });
  const base = (r: Run, minute: number) => r.water('thin-merino-base', 'chest', minute);
  const [on, slowed] = [climb(780), climb(450)];
  expect(base(slowed, 72)).toBeLessThan(base(on, 72) - 3);
  expect(slowed.torsoWettedness(72)).toBeLessThan(0.8 * on.torsoWettedness(72));
  // Three quarters of what it held beyond what it had in the closet are gone.
  const damp = (minute: number) => base(slowed, minute) - base(slowed, 0);
  expect(damp(72)).toBeGreaterThan(5);
  expect(damp(92)).toBeLessThan(0.25 * damp(72));
});

test('18. in padded trousers with open vents and one base, who sets off cool is right after ten minutes of fast hiking, and later', () => {
  const padded = { catalogue: 'soft-trousers', id: 'padded', thicknessMm: 6, fibre: 'synthetic fill', filled: true };
  const worn = ['briefs', 'midweight-merino-base', 'padded', 'thin-cap', 'wind-gloves', ...FEET];
  const hike = { minutes: 60, sport: 'hike', metabolicW: 760, worn, openings: { padded: { vents: 1 } } };
  const r = run({ airC: -3, wind: 1.6, garments: [padded], legs: [hike] });
  expect(Math.min(...[2, 3, 4, 5, 6].map((minute) => r.sensation(minute)))).toBeLessThan(-0.8);
  for (const minute of [10, 20, 40, 60]) expect(r.sensation(minute)).toBeWithin(-1, 1);
});

test('20. on a resort day the chairlift in wind is the coldest time', () => {
  const worn = [
    'briefs',
    'midweight-merino-base',
    'thin-fleece',
    'storm-shell',
    'brushed-tights',
    'storm-trousers',
    'thin-socks',
    'touring-boots',
    'ski-helmet',
    'goggles',
    'neck-tube',
    'ski-gloves',
  ];
  const round = [
    { minutes: 10, sport: 'chairlift', wind: 9, worn },
    { minutes: 8, sport: 'downhill ski', exertion: 5, wind: 9, worn },
  ];
  const r = run({ airC: -9, legs: [...round, ...round, ...round, ...round] });
  for (const lap of [1, 2, 3]) {
    const [lift, down] = [lap * 18 + 10, lap * 18 + 18];
    expect(r.sensation(lift)).toBeLessThan(r.sensation(down) - 0.5);
    expect(r.skin('fingers', lift)).toBeLessThan(r.skin('fingers', lap * 18 + 1));
  }
});

test('21. one thin sock in a ski boot is warmer than a thick one or two; a roomy boot takes the thick one', () => {
  const toes = (...feet: string[]) =>
    run({
      airC: -8,
      wind: 3,
      legs: [
        {
          minutes: 90,
          sport: 'downhill ski',
          metabolicW: 380,
          worn: [
            'briefs',
            'midweight-merino-base',
            'thin-fleece',
            'storm-shell',
            'brushed-tights',
            'storm-trousers',
            'ski-helmet',
            'ski-gloves',
            ...feet,
          ],
        },
      ],
    }).skin('toes', 90);
  const thin = toes('thin-socks', 'touring-boots');
  expect(thin).toBeGreaterThan(toes('wool-socks', 'touring-boots') + 0.3);
  expect(thin).toBeGreaterThan(toes('thick-socks', 'touring-boots') + 1);
  expect(thin).toBeGreaterThan(toes('thin-socks', 'wool-socks', 'touring-boots') + 1);
  expect(toes('thick-socks', 'winter-boots')).toBeGreaterThan(toes('thin-socks', 'winter-boots') + 1);
});

test('24. thin barrier gloves under gloves keep hands warmer on a run, and leave them wet and soon cold at a long stop', () => {
  const hands = (...gloves: string[]) => {
    const worn = ['briefs', 'thin-merino-base', 'wind-shell', 'wind-tights', 'thin-cap', ...FEET, ...gloves];
    return run({
      airC: -8,
      wind: 4,
      legs: [
        { minutes: 90, sport: 'run', metabolicW: 750, worn },
        { minutes: 30, sport: 'stand', metabolicW: 130, wind: 2, worn: [...worn, 'standby-puffy'] },
      ],
    });
  };
  const [plain, barrier] = [hands('wind-gloves'), hands('barrier-gloves', 'wind-gloves')];
  for (const minute of [30, 60, 90])
    expect(barrier.skin('fingers', minute)).toBeGreaterThan(plain.skin('fingers', minute) + 0.5);
  expect(barrier.water('wind-gloves', 'hands', 90)).toBeLessThan(plain.water('wind-gloves', 'hands', 90));
  expect(barrier.wettedness('fingers', 110)).toBeGreaterThan(0.8);
  expect(plain.wettedness('fingers', 110)).toBeLessThan(0.3);
  expect(barrier.skin('fingers', 120)).toBeLessThan(24);
});

test('25. heavy wool under a shell overheats on the march within half an hour; an open mesh on the skin holds less water than a closed base', () => {
  const march = (...torso: string[]) =>
    run({
      airC: 0,
      wind: 2,
      legs: [
        {
          minutes: 60,
          sport: 'hike',
          metabolicW: 700,
          worn: ['briefs', ...torso, 'wind-shell', 'soft-trousers', 'thin-cap', 'wind-gloves', ...FEET],
        },
      ],
    });
  const wool = march('midweight-merino-base', 'wool-pullover');
  // Heat begins to bother at a vote of 1.2; ten minutes later it is hot.
  expect(Math.max(...[20, 25, 30].map((minute) => wool.sensation(minute)))).toBeGreaterThan(1.2);
  expect(wool.sensation(40)).toBeGreaterThan(1.6);
  const held = (base: string) => {
    const r = march(base, 'thin-fleece');
    return r.water(base, 'chest', 60) + r.water(base, 'back', 60);
  };
  expect(held('mesh-base')).toBeLessThan(0.5 * held('thin-merino-base'));
  expect(held('mesh-base')).toBeLessThan(0.5 * held('midweight-merino-base'));
});

test('31. a closed neck tube keeps the jacket’s warm air in, opened it is the first vent', () => {
  const climb = (up: number) =>
    run({
      airC: -6,
      wind: 3,
      legs: [
        {
          minutes: 60,
          sport: 'hike',
          metabolicW: 500,
          worn: [
            'briefs',
            'thin-merino-base',
            'wind-shell',
            'soft-trousers',
            'thin-cap',
            'wind-gloves',
            'neck-tube',
            ...FEET,
          ],
          openings: { 'neck-tube': { up } },
        },
      ],
    });
  const [closed, opened] = [climb(0), climb(1)];
  expect(opened.skin('neck', 60)).toBeLessThan(closed.skin('neck', 60) - 1);
  expect(opened.skin('chest', 60)).toBeLessThan(closed.skin('chest', 60));
  expect(opened.sweatGh(60)).toBeLessThan(0.8 * closed.sweatGh(60));
});
