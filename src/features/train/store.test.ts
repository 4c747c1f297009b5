import { toFraction } from '@/core/rational';
import { deletePosition, keepPosition, removePart, setTeeth, type Train } from '@/core/train';
import { demoTrain } from '@/testing/demo-train';
import { analyseEngaged, explainedOf, speedsOf } from './analysis';
import { choosePosition, engage, stepPosition, toggleCoupler } from './choosing';
import { beginForm, editForm, editTrain, endVisit, giveUpVisit, redo, undo } from './edit';
import { engagementIn } from './engagement';
import { sideViewNow, stationsOf } from './side-views';
import { createTrainStore } from './store';

const open = (name: string) => createTrainStore(name, 1, demoTrain(name));
const now = (store: ReturnType<typeof open>) => engagementIn(store.getState());

describe('what is engaged', () => {
  test('a train opens in its first position that drives forward', () => {
    expect(now(open('pan-rake')).positionId).toBe('1');
    expect(now(open('wagon-axle')).positionId).toBe('open');
    expect(now(open('range-box')).positionId).toBe('p1');
  });

  test('toggling a coupler finds the position that it makes, or is a choice of one’s own', () => {
    const store = open('pan-rake');
    toggleCoupler(store, 'second');
    expect(now(store)).toEqual({ positionId: '1+2', engaged: ['first', 'second'] });
    toggleCoupler(store, 'third');
    expect(now(store).positionId).toBeNull();
    expect(engagementIn({ train: store.getState().train, choice: store.getState().before! }).positionId).toBe('1+2');
  });

  test('choosing the same position again changes nothing', () => {
    const store = open('pan-rake');
    const before = store.getState();
    choosePosition(store, '1');
    choosePosition(store, 'no such');
    expect(store.getState()).toBe(before);
  });

  test('stepping goes round, and from a choice of one’s own to the first', () => {
    const store = open('pan-rake');
    const ids = store.getState().train.positions.map(({ id }) => id);
    const start = ids.indexOf(now(store).positionId!);
    const seen = ids.map(() => {
      stepPosition(store, 1);
      return now(store).positionId;
    });
    expect(seen).toEqual([...ids.slice(start + 1), ...ids.slice(0, start + 1)]);
    stepPosition(store, -1);
    expect(now(store).positionId).toBe(ids.at(start - 1));
    engage(store, ['first', 'third']);
    stepPosition(store, 1);
    expect(now(store).positionId).toBe(ids[0]);
  });

  test('a coupler that is removed is no longer engaged; brought back, it is again', () => {
    const store = open('pan-rake');
    const edit = removePart(store.getState().train, { kind: 'coupler', id: 'first' });
    if (!edit.ok) throw new Error(edit.message);
    editTrain(store, edit.train);
    expect(now(store).engaged).toEqual([]);
    undo(store);
    expect(now(store)).toEqual({ positionId: '1', engaged: ['first'] });
  });

  test('of a position that is deleted nothing is left to name', () => {
    const store = open('pan-rake');
    const edit = deletePosition(store.getState().train, '1');
    if (!edit.ok) throw new Error(edit.message);
    editTrain(store, edit.train);
    expect(now(store)).toEqual({ positionId: null, engaged: ['first'] });
    undo(store);
    expect(now(store).positionId).toBe('1');
  });

  test('of positions that engage the same, the one that was meant', () => {
    const store = open('pan-rake');
    const edit = keepPosition(store.getState().train, 'once more', ['first']);
    if (!edit.ok) throw new Error(edit.message);
    editTrain(store, edit.train);
    expect(now(store).positionId).toBe('1');
    const again = edit.train.positions.at(-1)!.id;
    choosePosition(store, again);
    expect(now(store).positionId).toBe(again);
  });
});

describe('undo', () => {
  test('goes back through edits only, not through what was looked at', () => {
    const store = open('sluice-winch');
    const edit = setTeeth(store.getState().train, 'c', 20);
    if (!edit.ok) throw new Error(edit.message);
    editTrain(store, edit.train);
    store.getState().setFlow('coast');
    expect(store.temporal.getState().pastStates).toHaveLength(1);
    store.temporal.getState().undo();
    expect(store.getState().train.gears[0]!.teeth).toBe(14);
    expect(store.getState()).toMatchObject({ flow: 'coast' });
  });
});

describe('what is typed beside the document', () => {
  const at = 1_000_000;

  test('is undone and done again in one order with its edits; without a pause it is one step', () => {
    const store = open('sluice-winch');
    beginForm(store, 'shifting', { load: '1' });
    for (const [i, load] of ['2', '25', '250'].entries()) editForm(store, 'shifting', { load }, at + 100 * i);
    const edit = setTeeth(store.getState().train, 'c', 20);
    if (!edit.ok) throw new Error(edit.message);
    editTrain(store, edit.train);
    editForm(store, 'shifting', { load: '7' }, at + 300);
    const seen = () => [store.getState().forms.shifting, store.getState().train.gears[0]!.teeth];
    undo(store);
    expect(seen()).toEqual([{ load: '250' }, 20]);
    undo(store);
    expect(seen()).toEqual([{ load: '250' }, 14]);
    undo(store);
    expect(seen()).toEqual([{ load: '1' }, 14]);
    expect(store.temporal.getState().pastStates).toHaveLength(0);
    for (let i = 0; i < 3; i++) redo(store);
    expect(seen()).toEqual([{ load: '7' }, 20]);
    // A pause, or an undo, begins another step.
    editForm(store, 'shifting', { load: '8' }, at + 9000);
    undo(store);
    expect(seen()).toEqual([{ load: '7' }, 20]);
  });
});

describe('a visit', () => {
  const type = (store: ReturnType<typeof open>, teeth: number) => {
    const edit = setTeeth(store.getState().train, 'c', teeth);
    if (!edit.ok) throw new Error(edit.message);
    editTrain(store, edit.train, { merge: 'teeth c' });
  };
  const teeth = (store: ReturnType<typeof open>) => store.getState().train.gears[0]!.teeth;

  test('is one step of undo', () => {
    const store = open('sluice-winch');
    for (const count of [2, 25, 251]) type(store, count);
    endVisit(store);
    type(store, 30);
    undo(store);
    expect(teeth(store)).toBe(251);
    undo(store);
    expect(teeth(store)).toBe(14);
    redo(store);
    expect(teeth(store)).toBe(251);
  });

  test('given up leaves nothing, neither to undo nor to redo, and what could be redone before still can', () => {
    const store = open('sluice-winch');
    type(store, 20);
    undo(store);
    const { train } = store.getState();
    for (const count of [3, 33]) type(store, count);
    giveUpVisit(store);
    expect(store.getState().train).toBe(train);
    expect(store.temporal.getState().pastStates).toHaveLength(0);
    redo(store);
    expect(teeth(store)).toBe(20);
    giveUpVisit(store);
    expect(teeth(store)).toBe(20);
  });
});

describe('what is derived', () => {
  const train: Train = demoTrain('harvester');

  test('is worked out once for a document, an engagement, a flow and losses', () => {
    expect(sideViewNow(train)).toBe(sideViewNow(train));
    expect(stationsOf(train)).toBe(stationsOf(train));
    expect(analyseEngaged(train, ['A', 'B', 'C'], 'drive', false)).toBe(
      analyseEngaged(train, ['C', 'A', 'B'], 'drive', false),
    );
    expect(analyseEngaged(train, ['A', 'B', 'C'], 'drive', true)).not.toBe(
      analyseEngaged(train, ['A', 'B', 'C'], 'drive', false),
    );
  });

  test('names what locks it and where power stops', () => {
    const rake = demoTrain('pan-rake');
    expect(analyseEngaged(rake, ['first', 'second'], 'drive', false)).toMatchObject({
      locks: ['first', 'second'],
      stops: null,
    });
    expect(analyseEngaged(rake, [], 'drive', false)).toMatchObject({
      locks: [],
      stops: { open: expect.arrayContaining(['first', 'second', 'third', 'direct']) },
    });
  });

  test('turns round when the output is to drive', () => {
    const store = open('crawler');
    expect(explainedOf(store.getState()).backward).toBeNull();
    store.getState().setFlow('backward');
    expect(explainedOf(store.getState()).backward).toBe('slips');
    engage(store, ['K1', 'K3']);
    expect(explainedOf(store.getState()).backward).toBe('drives');
    expect(toFraction(speedsOf(store.getState()).find(({ id }) => id === 'in')!.speed!)).toBe('1');
  });
});

describe('an edit', () => {
  test('takes away what was said before, and says its own', () => {
    const store = open('sluice-winch');
    const edit = setTeeth(store.getState().train, 'c', 20);
    if (!edit.ok) throw new Error(edit.message);
    store.getState().say('Copied.');
    editTrain(store, edit.train, { merge: 'teeth c' });
    expect(store.getState().notice).toBeNull();
    editTrain(store, store.getState().train, { notice: 'Removed.' });
    expect(store.getState().notice).toBe('Removed.');
  });
});
