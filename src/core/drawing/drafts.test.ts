import { someOf } from '@/testing/runs';
import { demoNames, demoTrain } from '@/testing/demo-train';
import { tangledTrain } from '@/testing/tangled-train';
import { setTeeth, type Train } from '../train';
import { AT_ONCE, Drafts, drawSideView, QUICK, type DrawingOptions, type DrawnTrain } from '.';

/** Places to look at: too few for the tangle's lines to come apart, and enough for some of them. */
const LITTLE = 60_000;
const MORE = 1_200_000;
const SPACE = { width: 880, height: 380 };
const TANGLE = tangledTrain({ sets: 6, couplers: 9 });
const GREAT = tangledTrain({ sets: 20, couplers: 16, fixed: 8 });

function draw(train: Train, how: DrawingOptions = {}): Extract<DrawnTrain, { ok: true }> {
  const drawn = drawSideView(train, SPACE, how);
  if (!drawn.ok) throw new Error(drawn.why);
  return drawn;
}

const teeth = (train: Train, count: number): Train => {
  const edit = setTeeth(train, train.gears[0]!.id, count);
  if (!edit.ok) throw new Error(edit.message);
  return edit.train;
};

describe('with little effort', () => {
  test('a tangle is drawn all the same, the same on every run, and says that it may be bettered', () => {
    const quick = draw(TANGLE, { effort: LITTLE });
    expect(quick.finished).toBe(false);
    expect(draw(TANGLE, { effort: LITTLE })).toEqual(quick);
    const thorough = draw(TANGLE, { effort: MORE });
    expect(thorough.view.crossings.length).toBeLessThan(quick.view.crossings.length);
  });

  test('every train of the saltworks comes out as with all of it', () => {
    for (const name of someOf(demoNames())) {
      const train = demoTrain(name);
      expect(draw(train, { effort: QUICK })).toEqual(draw(train));
    }
  });

  test('what would take too long now is put off', () => {
    expect(drawSideView(GREAT, SPACE, { effort: LITTLE, atOnce: AT_ONCE })).toEqual({
      ok: false,
      later: true,
      why: 'The drawing of 68 gears is being laid out.',
    });
    for (const name of demoNames())
      expect(drawSideView(demoTrain(name), SPACE, { effort: QUICK, atOnce: AT_ONCE })).toMatchObject({ ok: true });
  });
});

describe('drafts', () => {
  test('what was found elsewhere is drawn at once, as plain data that another thread can hand over', () => {
    const found = new Drafts();
    const theirs = draw(GREAT, { drafts: found, effort: LITTLE });
    const own = new Drafts();
    own.take(structuredClone(found.data()));
    expect(draw(GREAT, { drafts: own, effort: LITTLE, atOnce: 0 })).toEqual(theirs);
  });

  test('another tooth count needs nothing new', () => {
    const drafts = new Drafts();
    const before = draw(GREAT, { drafts, effort: LITTLE });
    expect(draw(teeth(GREAT, 31), { drafts, effort: LITTLE, atOnce: 0 }).view.order).toEqual(before.view.order);
  });

  test('more effort is not put off with less', () => {
    const drafts = new Drafts();
    const quick = draw(TANGLE, { drafts, effort: LITTLE });
    const thorough = draw(TANGLE, { drafts, effort: MORE });
    expect(thorough.view.crossings.length).toBeLessThan(quick.view.crossings.length);
    expect(draw(TANGLE, { drafts, effort: LITTLE })).toEqual(thorough);
  });

  test('an order that is asked for goes before one that was only tried', () => {
    const drafts = new Drafts();
    const quick = draw(TANGLE, { drafts, effort: LITTLE });
    const order = [...quick.view.order].reverse();
    expect(draw(TANGLE, { drafts, effort: LITTLE, order }).view.order).toEqual(order);
    expect(draw(TANGLE, { drafts, effort: LITTLE }).view.order).toEqual(order);
  });
});
