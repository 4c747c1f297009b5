import { refusalText } from '../result';
import { toNumber } from '../rational';
import { readWheel, toothForm } from '../shapes';
import { demoTrain } from '@/testing/demo-train';
import { geometryOf } from '../geometry';
import type { Gear, Train } from '../train';
import { pairTrain } from '@/testing/pair-train';
import { partsOf, partsTable, spanOf } from '.';
import { modelOf } from '../model';

const use = { speedRpm: 600, torqueNm: 2 };
const withModule = (train: Train, module: number): Train => ({
  ...train,
  gears: train.gears.map((gear, i) =>
    i === 0 ? { ...gear, module } : { ...gear, module: undefined },
  ) as Train['gears'],
});
const row = (train: Train, gear: string) => partsOf(train, use).parts.find((part) => part.gear === gear)!;

test(
  'the rake by hand: sizes, centre distances that all agree, and the ' +
    'torque on the teeth in the position that is worst',
  () => {
    const train = withModule(demoTrain('pan-rake'), 2);
    const { parts, wheels, different } = partsOf(train, use);
    expect(wheels).toBe(train.gears.length);
    expect(different).toBeLessThanOrEqual(wheels);
    const pinion = parts.find(({ teeth, member }) => teeth === 19 && member === train.input)!;
    expect(pinion).toMatchObject({ moduleMm: 2, pitchMm: 38, outsideMm: 42, rootMm: 33 });
    expect(pinion.basePitchMm).toBeCloseTo(2 * Math.PI * Math.cos((20 * Math.PI) / 180), 6);
    // Every pair between the same two shafts has the same distance.
    const shafts = parts
      .filter(({ member, teeth }) => member === 'lay' || teeth === 19)
      .flatMap(({ centreDistancesMm }) => Object.values(centreDistancesMm));
    expect(Math.min(...shafts.filter((mm) => Math.abs(mm - 51) < 1))).toBe(51);
    // The pinion carries what is put in; in direct drive nothing.
    expect(pinion.worst).toMatchObject({ torqueNm: 2, speedRpm: 600 });
    const first = parts.find(({ teeth, member }) => teeth === 38 && member !== 'lay')!;
    expect(first.worst!.position).toBe('1');
    expect(first.worst!.torqueNm).toBeCloseTo((2 * 64) / 13, 5);
    expect(first.worst!.speedRpm).toBeCloseTo((600 * 13) / 64, 5);
    // It is fastest where it only turns along, or in another position.
    expect(first.tipMetresPerSecond!).toBeGreaterThanOrEqual(
      (Math.PI * first.outsideMm! * ((600 * 13) / 64)) / 60_000 - 1e-9,
    );
  },
);

test('planets are counted as often as they stand round; a ring has its tips inside', () => {
  const train = withModule(demoTrain('stirrer'), 1);
  const planet = partsOf(train, use).parts.find(({ copies }) => copies > 1)!;
  expect(planet.copies).toBe(train.members.find(({ id }) => id === planet.member)!.copies);
  const ring = partsOf(train, use).parts.find(({ type }) => type === 'internal')!;
  const form = toothForm({ teeth: ring.teeth, moduleMm: 1, internal: true });
  expect(ring.outsideMm).toBeCloseTo(2 * form.tipRadius, 6);
  expect(ring.rootMm).toBe(ring.teeth + 2.5);
  expect(ring.span).toBeNull();
});

test('without a module there are no sizes, but everything else; sizes that follow from others are there', () => {
  const bare = demoTrain('pan-rake');
  const none = { ...bare, gears: bare.gears.map((gear) => ({ ...gear, module: undefined })) as Train['gears'] };
  const part = row(none, none.gears[0]!.id);
  expect(part).toMatchObject({
    moduleMm: null,
    pitchMm: null,
    outsideMm: null,
    centreDistancesMm: {},
    tipMetresPerSecond: null,
  });
  expect(part.worst).not.toBeNull();
  const one = withModule(bare, 2);
  // The idler turns about a line of its own: nothing says how large its gears are.
  const unknown = partsOf(one, use).parts.filter(({ moduleMm }) => moduleMm === null);
  expect(unknown.map(({ teeth }) => teeth).sort()).toEqual([14, 21, 37]);
  expect(partsOf(one, { speedRpm: null, torqueNm: null }).parts[0]!.worst).toMatchObject({
    speedRpm: null,
    torqueNm: null,
  });
});

const gear = (teeth: number, type: Gear['type'] = 'external') => ({ teeth, type });
const contactRatioOf = (...pair: readonly [ReturnType<typeof gear>, ReturnType<typeof gear>]) =>
  geometryOf(pairTrain(...pair)).contactRatio('ab');

test('contact ratio by another way: teeth counted while the line of action is walked along', () => {
  for (const [a, b] of [
    [17, 40],
    [25, 25],
    [12, 60],
    [40, 17],
  ] as const) {
    // Along the line of action from where the mate's tip meets it to where the own tip does.
    const [fa, fb] = [toothForm({ teeth: a, moduleMm: 1 }), toothForm({ teeth: b, moduleMm: 1 })];
    const sin = Math.sin((20 * Math.PI) / 180);
    const to = Math.sqrt(fa.tipRadius ** 2 - fa.baseRadius ** 2) - fa.pitchRadius * sin;
    const from = -(Math.sqrt(fb.tipRadius ** 2 - fb.baseRadius ** 2) - fb.pitchRadius * sin);
    expect(contactRatioOf(gear(a), gear(b))!).toBeCloseTo((to - from) / ((2 * Math.PI * fa.baseRadius) / a), 9);
  }
  const ring = contactRatioOf(gear(18), gear(60, 'internal'))!;
  expect(ring).toBe(contactRatioOf(gear(60, 'internal'), gear(18)));
  expect(ring).toBeGreaterThan(contactRatioOf(gear(18), gear(60))!);
  expect(contactRatioOf(gear(18), gear(20, 'bevel'))).toBeNull();
});

test('the span is what the outline measures: between parallel tangents of its flanks', () => {
  for (const [teeth, shift, backlashMm] of [
    [17, 0, 0],
    [23, 0.4, 0],
    [40, -0.3, 0.2],
  ] as const) {
    const spec = { teeth, moduleMm: 2, shift, backlashMm };
    const { teeth: k, mm } = spanOf(spec)!;
    const { baseRadius, halfAngleAt } = toothForm(spec);
    // The thread between two opposite involutes is the arc of the base circle between their feet.
    const arc = baseRadius * ((2 * Math.PI * (k - 1)) / teeth + 2 * halfAngleAt(baseRadius));
    expect(mm).toBeCloseTo(arc, 6);
  }
});

test('what is printed is what is listed: a wheel of the list has the sizes of its shape', () => {
  const part = row(withModule(demoTrain('pan-rake'), 2), demoTrain('pan-rake').gears[0]!.id);
  const read = readWheel({ teeth: part.teeth, moduleMm: part.moduleMm!, widthMm: 10 });
  if (!read.ok) throw new Error(refusalText(read));
  const reach = Math.max(...read.value.outer.map(({ x, y }) => Math.hypot(x, y)));
  expect(2 * reach).toBeCloseTo(part.outsideMm!, 6);
});

test('as a table every part has a row, with units in the head', () => {
  const list = partsOf(withModule(demoTrain('pan-rake'), 2), use);
  const { head, rows } = partsTable(list);
  expect(rows).toHaveLength(list.parts.length);
  expect(head).toEqual(expect.arrayContaining(['module mm', 'N·m on its teeth', 'tip m/s']));
  for (const cells of rows) expect(cells).toHaveLength(head.length);
});

test('a ring of 58 round a planet of 16, its teeth shortened: the contact ratio of the outlines, walked along', () => {
  const [planet, ring] = [toothForm({ teeth: 16, moduleMm: 1 }), toothForm({ teeth: 58, moduleMm: 1, internal: true })];
  // Along the line of action from the foot of the planet's: contact begins at the ring's tip and ends at the planet's.
  const sin = Math.sin((20 * Math.PI) / 180);
  const centre = ring.pitchRadius - planet.pitchRadius;
  const begin = Math.sqrt(ring.tipRadius ** 2 - ring.baseRadius ** 2) - centre * sin;
  const end = Math.sqrt(planet.tipRadius ** 2 - planet.baseRadius ** 2);
  const ratio = contactRatioOf(gear(16), gear(58, 'internal'))!;
  expect(ratio).toBeCloseTo((end - begin) / ((2 * Math.PI * planet.baseRadius) / 16), 9);
  expect(ratio).toBeCloseTo(1.74, 2);
});

test(
  'a planet bears one copy’s part of its meshes, and its tips go with the ' +
    'orbit: by turning its place in small steps',
  () => {
    const train = withModule(demoTrain('stirrer'), 2);
    const planet = partsOf(train, use).parts.find(({ copies }) => copies > 1)!;
    const solved = modelOf(train).positions().get('slow')!;
    const turns = (id: string) => toNumber(solved.state.speeds.of(solved.network.memberIndex.get(id)!)!);
    const mesh = train.meshes.find(({ gears }) => gears.includes(planet.gear))!;
    const mate = train.gears.find(({ id }) => mesh.gears.includes(id) && id !== planet.gear)!;
    // The sun takes 2 N·m over all its planets.
    expect(mate.member).toBe(train.input);
    expect(planet.worst!.torqueNm).toBeCloseTo((2 * planet.teeth) / mate.teeth / planet.copies, 5);
    const carrier = train.members.find(({ id }) => id === planet.member)!.carrier!;
    const orbit = Object.values(planet.centreDistancesMm)[0]!;
    const place = (angle: number) => ({
      x: orbit * Math.cos(turns(carrier) * angle) + (planet.outsideMm! / 2) * Math.cos(turns(planet.member) * angle),
      y: orbit * Math.sin(turns(carrier) * angle) + (planet.outsideMm! / 2) * Math.sin(turns(planet.member) * angle),
    });
    let fastest = 0;
    for (let angle = 0; angle < 400; angle += 0.01) {
      const [a, b] = [place(angle), place(angle + 1e-5)];
      fastest = Math.max(fastest, Math.hypot(b.x - a.x, b.y - a.y) / 1e-5);
    }
    const inSlow = (fastest * 2 * Math.PI * 600) / 60_000;
    expect(planet.tipMetresPerSecond!).toBeGreaterThanOrEqual(inSlow * 0.999);
    // Direct drive turns all as one: the furthest tip at the input's speed.
    const direct = ((orbit + planet.outsideMm! / 2) * 2 * Math.PI * 600) / 60_000;
    expect(planet.tipMetresPerSecond!).toBeCloseTo(Math.max(inSlow, direct), 2);
  },
);

test('teeth of sun, ring and planet bear one force where they meet, copies counted alike', () => {
  const stirrer = demoTrain('stirrer');
  const train: Train = { ...stirrer, gears: stirrer.gears.map((gear) => ({ ...gear, module: 2 })) };
  const forces = new Set(
    partsOf(train, { speedRpm: null, torqueNm: 6 }).parts.map(({ worst }) => worst!.tangentialN!.toFixed(3)),
  );
  // By hand: the sun's 6 N·m on its pitch circle, shared by its planets; planet and ring pass on the same.
  const sun = train.gears.find(({ member }) => member === train.input)!;
  const { copies } = train.members.find(({ carrier }) => carrier !== undefined)!;
  expect([...forces]).toEqual([((2000 * 6) / (2 * sun.teeth) / copies!).toFixed(3)]);
});
