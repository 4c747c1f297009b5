import { someOf } from '@/testing/runs';
import { demoNames, demoTrain } from '@/testing/demo-train';
import { checkDesign } from '../checks';
import { figureGroups, movedPlaces } from '../structure';
import { setStations, type Edit, type Train } from '../train';
import { drawSideView } from '.';

const SPACE = { width: 880, height: 380 };

function orderOf(train: Train): readonly string[] {
  const drawn = drawSideView(train, SPACE);
  if (!drawn.ok) throw new Error(drawn.why);
  return drawn.view.order;
}

function moveFigure(train: Train, order: readonly string[], gear: string, to: number): Edit {
  const places = movedPlaces(train, order, gear, to);
  return places ? setStations(train, places) : { ok: false, message: 'It has no place of its own.' };
}

test('a gear is moved with what it meshes, and the drawing follows', () => {
  const rake = demoTrain('pan-rake');
  const before = orderOf(rake);
  for (let to = 0; to < before.length; to++) {
    const edit = moveFigure(rake, before, 'g3b', to);
    if (!edit.ok) throw new Error(edit.message);
    const after = orderOf(edit.train);
    const moved = figureGroups(rake, before).find(({ stations }) => stations.flat().includes('g3b'))!;
    expect(after.indexOf(moved.key)).toBe(to);
    expect(after.filter((key) => key !== moved.key)).toEqual(before.filter((key) => key !== moved.key));
    expect(moved.stations.flat().sort()).toEqual(['g3a', 'g3b']);
  }
});

test('beyond either end it stops at the end', () => {
  const rake = demoTrain('pan-rake');
  const order = orderOf(rake);
  for (const [to, end] of [
    [-5, 0],
    [99, order.length - 1],
  ] as const) {
    const edit = moveFigure(rake, order, 'g1a', to);
    const moved = figureGroups(rake, order).find(({ stations }) => stations.flat().includes('g1a'))!;
    expect(edit.ok && orderOf(edit.train).indexOf(moved.key)).toBe(end);
  }
  expect(moveFigure(rake, order, 'no such gear', 0).ok).toBe(false);
});

test('no demo train gets a contradiction of stations by moving', () => {
  for (const name of someOf(demoNames())) {
    const train = demoTrain(name);
    const edit = moveFigure(train, orderOf(train), train.gears[0]!.id, 1);
    if (!edit.ok) throw new Error(edit.message);
    expect(checkDesign(edit.train).filter(({ kind }) => kind === 'station')).toEqual([]);
  }
});
