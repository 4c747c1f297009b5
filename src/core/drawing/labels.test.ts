import { demoNames, demoTrain } from '@/testing/demo-train';
import type { Train } from '../train';
import { drawSideView, SPACES, type SideView } from '.';
import { distanceFromBox, labelBox, overlap, segmentBox } from './geometry';
import { portRoom } from './labels';
import { wrapped } from './wrapped';

function draw(train: Train): SideView {
  const drawn = drawSideView(train, { width: 880, height: 380 });
  if (!drawn.ok) throw new Error(drawn.why);
  return drawn.view;
}

const named = (train: Train, name: (id: string) => string): Train => ({
  ...train,
  members: train.members.map((member) => ({ ...member, name: name(member.id) })),
});

describe('labels', () => {
  test('input and outputs are named beside their arrows, outside the drawing', () => {
    const view = draw(demoTrain('wagon-axle'));
    const texts = view.labels.filter(({ of }) => of.kind === 'member').map(({ text, anchor }) => `${text} ${anchor}`);
    expect(texts).toEqual(expect.arrayContaining(['drive shaft end', 'left wheel start', 'right wheel end']));
    for (const port of view.ports) {
      const label = view.labels.find(({ of }) => of.kind === 'member' && of.id === port.member)!;
      expect(Math.sign(label.x - port.x)).toBe(port.side === 'left' ? -1 : 1);
      expect(label.y).toBe(port.y);
    }
  });

  test('long names stand on several lines, whole, and room is made for them', () => {
    const long = (id: string) => `${id} with a very long name indeed`;
    const train = named(demoTrain('sluice-winch'), long);
    const view = draw(train);
    const labels = view.labels.filter(({ of }) => of.kind === 'member');
    expect(labels.length).toBeGreaterThan(1);
    for (const { text, of } of labels) {
      expect(text.replaceAll('\n', ' ')).toBe(long(of.id));
      expect(Math.max(...text.split('\n').map(({ length }) => length))).toBeLessThanOrEqual(16);
    }
    expect(portRoom(train)).toBeGreaterThan(portRoom(named(train, () => 'x')));
  });

  test('no name of the trains of the saltworks is cut', () => {
    for (const name of demoNames()) {
      const train = demoTrain(name);
      const drawn = drawSideView(train, SPACES.bench);
      if (!drawn.ok) throw new Error(drawn.why);
      const cut = drawn.view.labels.filter(({ text }) => text.includes('…'));
      expect([name, cut]).toEqual([name, []]);
    }
  });

  test('a word longer than a line is divided, and only what three lines do not hold is cut', () => {
    expect(wrapped('Rear brake', 7)).toBe('Rear\nbrake');
    expect(wrapped('Carrier rotor', 11)).toBe('Carrier\nrotor');
    expect(wrapped('Rear brake')).toBe('Rear brake');
    expect(wrapped('a'.repeat(20))).toBe(`${'a'.repeat(15)}-\naaaaa`);
    expect(wrapped('one two three four', 5)).toBe('one\ntwo\nthree…');
  });

  test('a member without a name goes by its id', () => {
    const view = draw(named(demoTrain('sluice-winch'), () => ''));
    expect(view.labels.map(({ text }) => text)).toEqual(expect.arrayContaining(['crank', 'drum', 'lay']));
  });

  test('every gear has its tooth count once, though a long planet is drawn in two planes', () => {
    const counts = draw(demoTrain('crawler')).labels.filter(({ of }) => of.kind === 'gear');
    expect(counts.map(({ text }) => text).sort()).toEqual(['18', '21', '30', '36', '78']);
  });

  test('a coupler’s name stands nearer to it than to any other coupler', () => {
    for (const name of ['pan-rake', 'crawler', 'draisine-hub', 'harvester', 'range-box']) {
      const view = draw(demoTrain(name));
      for (const label of view.labels.filter(({ of }) => of.kind === 'coupler')) {
        const nearest = [...view.couplers].sort(
          (a, b) => distanceFromBox(labelBox(label), a) - distanceFromBox(labelBox(label), b),
        )[0]!;
        expect(`${name} ${nearest.coupler}`).toBe(`${name} ${label.of.id}`);
      }
    }
  });
});

describe('boxes', () => {
  test('labels are measured from where they are anchored', () => {
    const label = { text: 'abcd', of: { kind: 'gear' as const, id: 'g' }, x: 100, y: 50 };
    const [start, middle, end] = (['start', 'middle', 'end'] as const).map((anchor) => labelBox({ ...label, anchor }));
    expect(start!.left).toBe(100);
    expect(end!.right).toBe(100);
    expect((middle!.left + middle!.right) / 2).toBe(100);
    expect(start!.bottom - start!.top).toBe(16);
  });

  test('boxes that only touch do not overlap', () => {
    const box = { left: 0, right: 10, top: 0, bottom: 10 };
    expect(overlap(box, { left: 10, right: 20, top: 0, bottom: 10 })).toBe(false);
    expect(overlap(box, { left: 9, right: 20, top: 9, bottom: 20 })).toBe(true);
    expect(segmentBox({ x1: 5, y1: 9, x2: 1, y2: 9 }, 2)).toEqual({ left: -1, right: 7, top: 7, bottom: 11 });
  });
});
