import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { done, ratio, refusal } from '@/testing/edited';
import { solveEngaged } from '../../solve';
import { checkTrain } from '../parse';
import type { Coupler } from '../schema';
import {
  addChain,
  addCoupler,
  addGearOn,
  addMesh,
  addMeshingGear,
  changeCoupler,
  changeMesh,
  freeGear,
  joinMembers,
  setAside,
  setGearType,
  setInput,
  setStations,
  setTipSpeedLimit,
  reopenFinding,
  reverseOneWay,
} from '.';
import { modelOf } from '../../model';

const rake = demoTrain('pan-rake');
const winch = demoTrain('sluice-winch');

describe('connecting and separating', () => {
  test('two gears that are there are made to mesh', () => {
    const second = addGearOn(winch, 'crank', 20);
    const third = addGearOn(done(second), 'drum', 40);
    const [a, b] = [second, third].map((edit) => (edit.ok ? edit.added.id : ''));
    const meshed = done(addMesh(done(third), a!, b!));
    expect(meshed.meshes.at(-1)).toMatchObject({ gears: [a, b] });
    expect(refusal(addMesh(winch, 'c', 'c'))).not.toBeNull();
    expect(refusal(addMesh(winch, 'c', 'nothing'))).toContain('nothing');
    expect(refusal(addMesh(winch, 'g3a', 'l'))).not.toBeNull();
  });

  test('a gear freed from its shaft turns on its own, with a clutch that puts it back', () => {
    const freed = done(freeGear(rake, 'g3a'));
    expect(freed.couplers.at(-1)).toEqual({ id: 'A', name: 'A', type: 'clutch', joins: ['wheel', 'lay'] });
    expect(solveEngaged(modelOf(freed).open, ['second']).status).toBe('neutral');
    expect(ratio(freed, ['second', 'A'])).toBe(ratio(rake, ['second']));
    expect(ratio(freed, ['first'])).toBe(ratio(rake, ['first']));
  });

  test('freeing a gear and fixing it again leaves every ratio as it was', () => {
    const again = done(joinMembers(done(freeGear(rake, 'g3a')), 'lay', 'wheel'));
    expect(again).toEqual(rake);
  });

  test('a gear that has nothing to be freed from stays', () => {
    expect(refusal(freeGear(rake, 'g2b'))).toBe(
      'It is the only gear on first wheel, so there is nothing to free it from.',
    );
    expect(refusal(freeGear(demoTrain('stirrer'), 'pg1'))).toContain('turn about one pin');
    expect(refusal(freeGear(rake, 'none'))).toBe('There is no gear "none".');
    // The input is more than its gear: the crank stays when its gear is freed.
    expect(done(freeGear(winch, 'c')).input).toBe('crank');
  });

  test('members that cannot be one are refused', () => {
    expect(refusal(joinMembers(rake, 'in', 'in'))).toBe('Choose two different members.');
    expect(refusal(joinMembers(winch, 'crank', 'idler'))).not.toBeNull();
  });

  test('joining and freeing never break any train', () => {
    fc.assert(
      fc.property(arbitraryTrain(), fc.nat(), fc.nat(), (train, i, j) => {
        const [a, b] = [train.members[i % train.members.length]!, train.members[j % train.members.length]!];
        for (const edit of [
          joinMembers(train, a.id, b.id),
          freeGear(train, train.gears[i % train.gears.length]!.id),
          addMesh(train, train.gears[i % train.gears.length]!.id, train.gears[j % train.gears.length]!.id),
        ]) {
          if (edit.ok) expect(checkTrain(edit.train).ok).toBe(true);
          else expect(edit.message.length).toBeGreaterThan(10);
        }
      }),
      { numRuns: runs(100) },
    );
  });
});

describe('chains, worms and bevels', () => {
  test('a chain turns both shafts the same way', () => {
    const grown = addChain(winch, 'drum', 15, 60);
    const train = done(grown);
    const shaft = train.gears.find(({ id }) => grown.ok && id === grown.added.id)!.member;
    // The winch reduces by 12 in reverse; the chain by another 60/15, turning nothing round.
    expect(ratio({ ...train, outputs: [shaft] })).toBe('-48');
    expect(train.gears.slice(-2).map(({ type }) => type)).toEqual(['sprocket', 'sprocket']);
  });

  test('a gear made a worm leads its mesh, says its sense, and only it locks itself', () => {
    const worm = done(setGearType(winch, 'i', 'worm'));
    expect(worm.meshes.slice(0, 2)).toMatchObject([
      { gears: ['i', 'c'], sense: 'opposite' },
      { gears: ['i', 'l'], sense: 'opposite' },
    ]);
    const locking = done(changeMesh(worm, 'm1', { selfLocking: true }));
    expect(done(setGearType(locking, 'i', 'external')).meshes[0]).toEqual({ id: 'm1', gears: ['i', 'c'] });
    expect(ratio(done(setGearType(done(changeMesh(locking, 'm1', { sense: 'same' })), 'i', 'external')))).toBe(
      ratio(winch),
    );
  });

  test('a bevel pair may turn either way', () => {
    const bevel = done(setGearType(done(setGearType(winch, 'g3a', 'bevel')), 'g3b', 'bevel'));
    expect(ratio(bevel)).toBe('-12');
    expect(ratio(done(changeMesh(bevel, 'm3', { sense: 'same' })))).toBe('12');
    const grown = done(addMeshingGear(bevel, 'g3b', 20));
    expect(grown.meshes.at(-1)).toMatchObject({ sense: 'opposite' });
    expect(grown.gears.at(-1)).toMatchObject({ type: 'bevel' });
  });
});

describe('one-way clutches and places', () => {
  test('a one-way clutch turned round drives the other way round', () => {
    const train = done(addCoupler(rake, 'one-way', 'out', 'w1'));
    const statuses = [train, done(reverseOneWay(train, 'A'))].map(
      (turned) => solveEngaged(modelOf(turned).open, []).status,
    );
    expect([...statuses].sort()).toEqual(['drive', 'neutral']);
  });

  test('one that is always on is engaged in no position', () => {
    const couplers: Coupler[] = rake.couplers.map((coupler) =>
      coupler.id === 'first' && 'joins' in coupler ? { ...coupler, type: 'one-way', control: 'selectable' } : coupler,
    );
    const always = done(changeCoupler({ ...rake, couplers }, 'first', { control: 'always' }));
    expect(always.positions.flatMap(({ engaged }) => engaged)).not.toContain('first');
    expect(always.positions.map(({ id }) => id)).toEqual(rake.positions.map(({ id }) => id));
  });

  test('gears are placed group by group along the axis', () => {
    const placed = done(
      setStations(rake, [
        ['g1a', 'g1b'],
        ['g3a', 'g3b'],
        ['g2a', 'g2b'],
      ]),
    );
    const at = (id: string) => placed.gears.find((gear) => gear.id === id)!.station;
    expect([at('g1a'), at('g1b'), at('g3a'), at('g3b'), at('g2a'), at('g2b'), at('ra')]).toEqual([
      0,
      0,
      1,
      1,
      2,
      2,
      undefined,
    ]);
  });
});

describe('limits and findings set aside', () => {
  test('a limit is set for a material and taken away again without a trace', () => {
    const limited = done(setTipSpeedLimit(rake, 'nylon', 9));
    expect(limited.tipSpeedLimits).toEqual({ nylon: 9 });
    expect(done(setTipSpeedLimit(limited, 'nylon', undefined))).toEqual(rake);
    expect(refusal(setTipSpeedLimit(rake, 'nylon', -1))).not.toBeNull();
  });

  test('a finding is set aside with a reason, the reason changed, and taken up again', () => {
    expect(refusal(setAside(rake, 'undercut g2a', '  '))).toBe('Say in a few words why it may stay as it is.');
    const aside = done(setAside(done(setAside(rake, 'undercut g2a', 'old')), 'undercut g2a', ' cut with a shift '));
    expect(aside.setAside).toEqual([{ finding: 'undercut g2a', note: 'cut with a shift' }]);
    expect(done(reopenFinding(aside, 'undercut g2a'))).toEqual(rake);
  });

  test('the input changes to a member that is not there only with an error', () => {
    expect(refusal(setInput(rake, 'nobody'))).toContain('nobody');
  });
});
