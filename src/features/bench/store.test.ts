import { demoTrain } from '@/testing/demo-train';
import { ONE, toFraction } from '@/core/rational';
import { removePart, setTeeth, type Train } from '@/core/train';
import { analyseEngaged, positionOf, speedsOf } from './analysis';
import { sideViewNow, stationsOf } from './side-views';
import { choosePosition, createBenchStore, createCrank, engage, toggleCoupler } from './store';

beforeEach(() => {
  globalThis.requestAnimationFrame = () => 0;
  globalThis.cancelAnimationFrame = () => undefined;
});

const bench = (name: string) => createBenchStore(name, 1, demoTrain(name));
const turns = (store: ReturnType<typeof bench>, member: string) => toFraction(store.getState().turned.members.get(member)!);

describe('what is engaged', () => {
  test('a train opens in its first position that drives forward', () => {
    expect(bench('pan-rake').getState().now.positionId).toBe('1');
    expect(bench('wagon-axle').getState().now.positionId).toBe('open');
    expect(bench('range-box').getState().now.positionId).toBe('p1');
  });

  test('toggling a coupler finds the position that it makes, or is a choice of one’s own', () => {
    const store = bench('pan-rake');
    toggleCoupler(store, 'second');
    expect(store.getState().now).toEqual({ positionId: '1+2', engaged: ['first', 'second'] });
    toggleCoupler(store, 'third');
    expect(store.getState().now.positionId).toBeNull();
    expect(store.getState().before!.positionId).toBe('1+2');
  });

  test('choosing the same position again changes nothing', () => {
    const store = bench('pan-rake');
    const before = store.getState();
    choosePosition(store, '1');
    choosePosition(store, 'no such');
    expect(store.getState()).toBe(before);
  });

  test('a coupler that is removed, or undone, is no longer engaged', () => {
    const store = bench('pan-rake');
    createCrank(store);
    const edit = removePart(store.getState().train, { kind: 'coupler', id: 'first' });
    if (!edit.ok) throw new Error(edit.message);
    store.getState().set({ train: edit.train });
    expect(store.getState().now.engaged).toEqual([]);
  });
});

describe('turning', () => {
  test('what was turned before a change of position is counted with the old speeds', () => {
    const store = bench('pan-rake');
    const crank = createCrank(store);
    crank.turn(ONE, false);
    crank.drag(0.5);
    choosePosition(store, '4');
    crank.drag(0.5);
    crank.stop();
    expect(turns(store, 'in')).toBe('2');
    // One and a half turns in first (13/64 each), half a turn in direct.
    expect(turns(store, 'out')).toBe('103/128');
  });

  test('a tooth count typed under way is a change of speed as well', () => {
    const store = bench('sluice-winch');
    const crank = createCrank(store);
    crank.drag(1);
    const edit = setTeeth(store.getState().train, 'g3b', 90);
    if (!edit.ok) throw new Error(edit.message);
    store.getState().set({ train: edit.train });
    crank.drag(1);
    crank.stop();
    expect(turns(store, 'drum')).toBe('-1/8');
  });

  test('pointing at parts leaves the crank alone', () => {
    const store = bench('sluice-winch');
    const crank = createCrank(store);
    crank.drag(0.3);
    store.getState().set({ highlight: { members: ['drum'], gears: [], couplers: [] } });
    expect(crank.turnsSince).toBeCloseTo(0.3, 9);
  });
});

describe('undo', () => {
  test('goes back through edits only, not through what was looked at', () => {
    const store = bench('sluice-winch');
    const edit = setTeeth(store.getState().train, 'c', 20);
    if (!edit.ok) throw new Error(edit.message);
    store.getState().set({ train: edit.train });
    store.getState().set({ flow: 'coast' });
    store.getState().set({ station: 1 });
    expect(store.temporal.getState().pastStates).toHaveLength(1);
    store.temporal.getState().undo();
    expect(store.getState().train.gears[0]!.teeth).toBe(14);
    expect(store.getState()).toMatchObject({ flow: 'coast', station: 1 });
  });
});

describe('what is derived', () => {
  const train: Train = demoTrain('harvester');

  test('is worked out once for a document, an engagement, a flow and losses', () => {
    expect(sideViewNow(train)).toBe(sideViewNow(train));
    expect(stationsOf(train)).toBe(stationsOf(train));
    expect(analyseEngaged(train, ['A', 'B', 'C'], 'drive', false)).toBe(analyseEngaged(train, ['C', 'A', 'B'], 'drive', false));
    expect(analyseEngaged(train, ['A', 'B', 'C'], 'drive', true)).not.toBe(analyseEngaged(train, ['A', 'B', 'C'], 'drive', false));
  });

  test('names what locks it and where power stops', () => {
    const rake = demoTrain('pan-rake');
    expect(analyseEngaged(rake, ['first', 'second'], 'drive', false)).toMatchObject({ locks: ['first', 'second'], stops: null });
    expect(analyseEngaged(rake, [], 'drive', false)).toMatchObject({ locks: [], stops: { open: expect.arrayContaining(['first', 'second', 'third', 'direct']) } });
  });

  test('turns round when the output is to drive', () => {
    const store = bench('crawler');
    expect(positionOf(store.getState()).backward).toBeNull();
    store.getState().set({ flow: 'backward' });
    expect(positionOf(store.getState()).backward).toBe('slips');
    engage(store, ['K1', 'K3']);
    expect(positionOf(store.getState()).backward).toBe('drives');
    expect(toFraction(speedsOf(store.getState()).find(({ id }) => id === 'in')!.speed!)).toBe('1');
  });
});
