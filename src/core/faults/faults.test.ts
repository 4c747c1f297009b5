import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { bruteForce } from '@/testing/all-subsets';
import { demoTrain } from '@/testing/demo-train';
import { toNumber } from '../rational';
import type { Train } from '../train';
import {
  behavioursOf,
  faultWords,
  nextTestFor,
  outcomeKey,
  readSeen,
  singleFaults,
  suspectsFor,
  withFaults,
  type Behaviour,
  type Fault,
  type Seen,
} from '.';
import { refusalText } from '../result';

const HEAD = { format: 'tin-wheel/seen', version: 1 } as const;

test('the tram whose front roller no longer holds: it is the only one that explains all eight positions', () => {
  const seen = readSeen(
    readFileSync(join(__dirname, 'cases/diagnose.mud-tram.seen.json'), 'utf8'),
    demoTrain('mud-tram'),
  );
  if (!seen.ok) throw new Error(refusalText(seen));
  const { suspects } = suspectsFor(demoTrain('mud-tram'), seen.value);
  const all = suspects.filter(({ agrees, of }) => agrees === of);
  expect(all.map(({ faults }) => faults)).toEqual([[{ fault: 'never-holds', part: 'front roller' }]]);
  const expected = JSON.parse(readFileSync(join(__dirname, 'cases/diagnose.mud-tram.must-include.json'), 'utf8')) as {
    suspects: readonly Fault[];
  };
  for (const { fault, part } of expected.suspects)
    expect(all.some(({ faults: [one] }) => one!.fault === fault && one!.part === part)).toBe(true);
  expect(suspects.at(-1)!.agrees).toBeLessThan(all[0]!.agrees);
  for (const { failsOn, agrees, of } of suspects) expect(failsOn === null).toBe(agrees === of);
});

/** What a person sees of a train that does this. */
function sightings(train: Train, behaviour: Behaviour): Seen {
  const sound = behavioursOf(train)([]);
  const positions: Record<string, 'ok' | 'neutral' | 'locked'> = {};
  const ratios: Record<string, [number, number]> = {};
  for (const { id, engaged } of train.positions) {
    const outcome = behaviour(engaged);
    if (outcomeKey(outcome) === outcomeKey(sound(engaged))) positions[id] = 'ok';
    else if (outcome.ratio) ratios[id] = bounds(outcome.ratio);
    else if (outcome.status !== 'drive' && outcome.status !== 'split') positions[id] = outcome.status;
  }
  return { ...HEAD, positions, ratios };
}

const bounds = (ratio: Parameters<typeof toNumber>[0]): [number, number] => {
  const size = Math.abs(toNumber(ratio));
  return [Number((size * (1 - 1e-9)).toPrecision(15)), Number((size * (1 + 1e-9)).toPrecision(15))];
};

test(
  'in random trains with one fault the true part is among those that explain everything, ' +
    'and the proposed tests leave only what no hand can tell apart',
  () => {
    let followed = 0;
    fc.assert(
      fc.property(arbitraryTrain({ oneWays: true }), fc.nat(), (train, pick) => {
        const faults = singleFaults(train);
        const fault = faults[pick % faults.length]!;
        const behaviour = behavioursOf(train)([fault]);
        let seen = sightings(train, behaviour);
        const same = ({ faults: found }: { readonly faults: readonly Fault[] }) =>
          found.length === 1 && found[0]!.fault === fault.fault && found[0]!.part === fault.part;
        for (let tests = 0; ; tests++) {
          const suspected = suspectsFor(train, seen);
          const left = suspected.suspects.filter(({ agrees, of }) => agrees === of);
          expect(left.some(same)).toBe(true);
          const next = nextTestFor(train, suspected);
          if (!next) {
            // Nothing that a hand can engage tells the true one from those that are left.
            const able = train.couplers
              .filter((one) => one.type !== 'one-way' || one.control === 'selectable')
              .map(({ id }) => id);
            for (let bits = 0; bits < 2 ** Math.min(8, able.length); bits++) {
              const engaged = able.filter((_, i) => bits & (1 << i));
              const truly = outcomeKey(behaviour(engaged));
              for (const one of left) expect(outcomeKey(one.behaviour(engaged))).toBe(truly);
            }
            break;
          }
          // What each outcome would mean is what comes of it, and every one leaves fewer.
          const outcome = behaviour(next.engaged);
          const meant = next.outcomes.find((one) => outcomeKey(one.outcome) === outcomeKey(outcome))!;
          expect(meant.suspects.some(same)).toBe(true);
          expect(meant.suspects.length).toBeLessThan(left.length);
          if (outcome.status === 'split') break;
          const tried = outcome.ratio
            ? { engaged: [...next.engaged], ratio: bounds(outcome.ratio) }
            : { engaged: [...next.engaged], seen: outcome.status as 'neutral' | 'locked' };
          seen = { ...seen, tried: [...(seen.tried ?? []), tried] };
          followed++;
          expect(tests).toBeLessThan(200);
        }
      }),
      { numRuns: runs(90) },
    );
    expect(followed).toBeGreaterThan(5);
  },
);

test('every kind of fault, against a brute force on a train that was changed by hand', () => {
  const seen = new Set<string>();
  fc.assert(
    fc.property(arbitraryTrain({ oneWays: true }), fc.nat(), (train, pick) => {
      const faults = singleFaults(train);
      const fault = faults[pick % faults.length]!;
      const behaviour = behavioursOf(train)([fault]);
      for (const { engaged } of train.positions.slice(0, 3)) {
        const [by, on] = byHand(train, fault, engaged);
        const { status, ratio } = behaviour(engaged);
        const brute = bruteForce(by, new Set(on));
        const found = brute.status === 'held' ? 'neutral' : brute.status;
        expect(status).toBe(found);
        if (ratio) expect(toNumber(ratio)).toBeCloseTo(toNumber(brute.ratio!), 6);
        seen.add(fault.fault);
      }
    }),
    { numRuns: runs(150) },
  );
  expect([...seen].sort()).toEqual([
    'member-held',
    'mesh-lost',
    'never-engages',
    'never-holds',
    'planet-seized',
    'seized',
    'stuck-on',
  ]);
});

/**
 * The same fault written into the document another way: a part that never engages or holds is not there, a part that is
 * stuck joins the two into one with the frame or each other by a second coupler.
 */
function byHand(train: Train, { fault, part }: Fault, engaged: readonly string[]): readonly [Train, readonly string[]] {
  const without = { ...train, couplers: train.couplers.filter(({ id }) => id !== part) };
  const on = engaged.filter((id) => id !== part);
  switch (fault) {
    case 'never-engages':
      // A sliding mesh without its coupler would be in for good.
      return train.couplers.some((one) => one.id === part && one.type === 'sliding-mesh') ? [train, on] : [without, on];
    case 'never-holds':
      return [without, on];
    case 'stuck-on':
      return [train, [...on, part]];
    case 'seized': {
      const coupler = train.couplers.find(({ id }) => id === part)!;
      const joins = (coupler as { joins: readonly [string, string] }).joins;
      return [
        { ...without, couplers: [...without.couplers, { id: 'weld', name: 'weld', type: 'clutch', joins }] },
        [...on, 'weld'],
      ];
    }
    case 'mesh-lost': {
      const sliding = train.couplers
        .filter((one) => one.type === 'sliding-mesh' && one.mesh === part)
        .map(({ id }) => id);
      return [
        {
          ...train,
          meshes: train.meshes.filter(({ id }) => id !== part),
          couplers: train.couplers.filter(({ id }) => !sliding.includes(id)),
        },
        engaged.filter((id) => !sliding.includes(id)),
      ];
    }
    case 'planet-seized': {
      const welded = withPlanetWelded(train, part);
      return [welded, [...engaged, ...welded.couplers.flatMap(({ id }) => (id.startsWith('weld') ? [id] : []))]];
    }
    case 'member-held':
      return [
        {
          ...train,
          couplers: [...train.couplers, { id: 'weld', name: 'weld', type: 'clutch', joins: [part, 'frame'] }],
        },
        [...engaged, 'weld'],
      ];
  }
}

/**
 * A planet welded to its carrier: its gears are the carrier's own, and what they meshed is in mesh with a gear on the
 * carrier, that is, turns with it.
 */
function withPlanetWelded(train: Train, planet: string): Train {
  const carrier = train.members.find(({ id }) => id === planet)!.carrier!;
  const memberOf = new Map(train.gears.map(({ id, member }) => [id, member]));
  const touched = train.meshes.filter(({ gears }) => gears.some((id) => memberOf.get(id) === planet));
  const mates = touched.map(({ gears }) => gears.map((id) => memberOf.get(id)!).find((id) => id !== planet)!);
  const joined = [...new Set([planet, ...mates])].filter((id) => id !== carrier);
  return {
    ...train,
    meshes: train.meshes.filter((mesh) => !touched.includes(mesh)),
    couplers: [
      ...train.couplers.filter((one) => one.type !== 'sliding-mesh' || !touched.some(({ id }) => id === one.mesh)),
      ...joined.map((id, i) => ({
        id: `weld ${i}`,
        name: '',
        type: 'clutch' as const,
        joins: [carrier, id] as [string, string],
      })),
    ],
  };
}

test('a planet seized on its pin is a suspect, and makes of its set a block', () => {
  const train = demoTrain('stirrer');
  const planet = train.members.find(({ carrier }) => carrier !== undefined)!.id;
  const fault: Fault = { fault: 'planet-seized', part: planet };
  const seen = sightings(train, behavioursOf(train)([fault]));
  expect(seen.positions).toMatchObject({ slow: 'locked', direct: 'ok' });
  const { suspects } = suspectsFor(train, seen);
  expect(suspects.filter(({ agrees, of }) => agrees === of).map(({ faults }) => faults)).toContainEqual([fault]);
  expect(faultWords(train, fault)).toMatch(/is seized on its pin$/);
});

test('two parts at once: where no single one explains everything, a pair does, and it is the true one', () => {
  const train = demoTrain('harvester');
  const faults: readonly Fault[] = [
    { fault: 'never-engages', part: train.couplers[0]!.id },
    { fault: 'stuck-on', part: train.couplers[3]!.id },
  ];
  const { suspects } = suspectsFor(train, sightings(train, behavioursOf(train)(faults)));
  const pairs = suspects.filter(({ agrees, of }) => agrees === of);
  expect(pairs.map((one) => one.faults)).toContainEqual(faults);
  for (const pair of pairs) expect(pair.faults).toHaveLength(2);
});

test('a sound train is no suspect’s, and the document with faults is one that reads', () => {
  const train = demoTrain('pan-rake');
  const { sound, suspects } = suspectsFor(train, sightings(train, behavioursOf(train)([])));
  expect(sound).toBe(true);
  expect(suspects.every(({ faults }) => faults.length === 1)).toBe(true);
  expect(suspectsFor(train, HEAD).suspects.every(({ of }) => of === 0)).toBe(true);
  const { train: faulty } = withFaults(train, [{ fault: 'member-held', part: 'lay' }]);
  expect(faulty.couplers.at(-1)).toMatchObject({ type: 'brake', joins: ['lay', 'frame'] });
});

test.each([
  [{ ...HEAD, positions: { ninth: 'ok' } }, 'positions: there is no position "ninth".'],
  [{ ...HEAD, positions: { 1: 'fine' } }, 'positions.1: A position was seen ok, neutral or locked.'],
  [{ ...HEAD, ratios: { 1: [5, 4] } }, 'ratios.1: the first bound is the least, the second the most.'],
  [{ ...HEAD, positions: { 1: 'ok' }, ratios: { 1: [4, 5] } }, 'ratios: position "1" stands under positions too.'],
  [{ ...HEAD, tried: [{ engaged: ['none'], seen: 'ok' }] }, 'tried[0].engaged: there is no coupler "none".'],
  [
    { ...HEAD, tried: [{ engaged: ['first'] }] },
    'tried[0]: say how it was seen, or between which bounds its ratio is.',
  ],
  [{ format: 'tin-wheel/seen', version: 2 }, 'version: The version must be 1.'],
])('%j is refused with its place', (seen, message) => {
  const read = readSeen(JSON.stringify(seen), demoTrain('pan-rake'));
  expect(read.ok ? 'read' : refusalText(read)).toBe(message);
});
