import { ONE, toFraction } from '@/core/rational';
import { setTeeth } from '@/core/train';
import { choosePosition } from '@/features/train/choosing';
import { editTrain } from '@/features/train/edit';
import { leave, ownOf, sessionOf, type Session } from '@/features/train/session';
import { demoTrain } from '@/testing/demo-train';
import { createBench } from './store';

beforeEach(() => {
  globalThis.requestAnimationFrame = () => 0;
  globalThis.cancelAnimationFrame = () => undefined;
});

let opened = 0;
const sessions: Session[] = [];
function open(name: string): Session {
  const session = sessionOf({ id: `${name} ${opened++}`, version: 1, train: demoTrain(name) });
  sessions.push(session);
  return session;
}
// Else saving is tried again and again: there is no server here.
afterEach(() => sessions.splice(0).forEach(({ end }) => end()));

const bench = (name: string) => ownOf(open(name), createBench);
const turns = ({ store }: ReturnType<typeof bench>, member: string) =>
  toFraction(store.getState().turned.members.get(member)!);

describe('turning', () => {
  test('what was turned before a change of position is counted with the old speeds', () => {
    const { train, crank, ...own } = bench('pan-rake');
    crank.turn(ONE, false);
    crank.drag(0.5);
    choosePosition(train, '4');
    crank.drag(0.5);
    crank.stop();
    expect(turns({ train, crank, ...own }, 'in')).toBe('2');
    // One and a half turns in first (13/64 each), half a turn in direct.
    expect(turns({ train, crank, ...own }, 'out')).toBe('103/128');
  });

  test('a tooth count typed under way is a change of speed as well', () => {
    const { train, crank, ...own } = bench('sluice-winch');
    crank.drag(1);
    const edit = setTeeth(train.getState().train, 'g3b', 90);
    if (!edit.ok) throw new Error(edit.message);
    editTrain(train, edit.train);
    crank.drag(1);
    crank.stop();
    expect(turns({ train, crank, ...own }, 'drum')).toBe('-1/8');
  });

  test('pointing at parts leaves the crank alone', () => {
    const { train, crank } = bench('sluice-winch');
    crank.drag(0.3);
    train.getState().light({ members: ['drum'], gears: [], couplers: [] });
    expect(crank.turnsSince).toBeCloseTo(0.3, 9);
  });
});

describe('what the Bench keeps of its own', () => {
  test('outlives its screen: counters and station stand when it is looked at again', () => {
    const session = open('sluice-winch');
    const first = ownOf(session, createBench);
    first.crank.turn(ONE, false);
    first.store.getState().lookAt(1);
    leave(session);
    const again = ownOf(session, createBench);
    expect(turns(again, 'crank')).toBe('1');
    expect(again.store.getState().station).toBe(1);
  });

  test('a crank that turns stops when the train is left, with what it turned counted', () => {
    const session = open('sluice-winch');
    const { crank, ...own } = ownOf(session, createBench);
    crank.play(1);
    crank.drag(0.25);
    leave(session);
    expect(crank.moving).toBeNull();
    expect(turns({ crank, ...own }, 'crank')).toBe('1/4');
  });
});
