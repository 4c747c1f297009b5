import fc from 'fast-check';
import { demoTrain } from '@/testing/demo-train';
import { setTeeth, type Train } from '../train';
import { drawSideView, type GearBar, type Label, type SideView } from '.';

const SPACE = { width: 880, height: 430 };

function draw(train: Train): SideView {
  const drawn = drawSideView(train, SPACE);
  if (!drawn.ok) throw new Error(drawn.why);
  return drawn.view;
}

/** About as wide as the letters are at 15 px. */
function box({ text, x, y, anchor }: Label) {
  const width = text.length * 8;
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
  return { left, right: left + width, top: y - 8, bottom: y + 8 };
}

/** Everything wrong with a drawing: what overlaps, what does not reach, what is written over. */
function faults(train: Train, view: SideView): string[] {
  const found: string[] = [];
  const bar = (id: string) => view.gears.find((gear) => gear.gear === id)!;
  const touching = new Set(train.meshes.map(({ gears }) => [...gears].sort().join()));
  for (const { gears: [a, b] } of train.meshes) {
    const gap = Math.abs(bar(a).y - bar(b).y) - bar(a).radius - bar(b).radius;
    if (Math.abs(gap) > 2 || bar(a).x !== bar(b).x) found.push(`${a} and ${b} do not touch (${gap})`);
  }
  view.gears.forEach((a, i) => {
    for (const b of view.gears.slice(i + 1)) {
      if (a.x !== b.x || touching.has([a.gear, b.gear].sort().join())) continue;
      if (Math.abs(a.y - b.y) < a.radius + b.radius - 1) found.push(`${a.gear} overlaps ${b.gear}`);
    }
    for (const shaft of view.shafts) {
      if (shaft.member !== a.member && shaft.x1 < a.x + a.halfWidth && shaft.x2 > a.x - a.halfWidth && Math.abs(shaft.y - a.y) < a.radius) found.push(`${shaft.member} passes through ${a.gear}`);
    }
    const own = view.shafts.find((shaft) => shaft.member === a.member);
    if (!own || own.y !== a.y || own.x1 > a.x || own.x2 < a.x) found.push(`${a.gear} does not reach its shaft`);
  });
  const inside = (r: ReturnType<typeof box>, x1: number, x2: number, y1: number, y2: number) => r.left < x2 && r.right > x1 && r.top < y2 && r.bottom > y1;
  view.labels.forEach((label, i) => {
    const own = box(label);
    if (own.left < 0 || own.right > view.width || own.top < 0 || own.bottom > view.height) found.push(`${label.text} leaves the drawing`);
    if (view.gears.some((g: GearBar) => inside(own, g.x - g.halfWidth, g.x + g.halfWidth, g.y - g.radius, g.y + g.radius))) found.push(`${label.text} is written over a gear`);
    if (view.shafts.some((s) => inside(own, s.x1, s.x2, s.y - 2, s.y + 2))) found.push(`${label.text} is written over a shaft`);
    if (view.labels.slice(i + 1).some((other) => inside(own, box(other).left, box(other).right, box(other).top, box(other).bottom))) found.push(`${label.text} is written over a label`);
  });
  return found;
}

describe('side view of parallel shafts', () => {
  test('the winch: nothing overlaps, everything reaches, input left and output right', () => {
    const train = demoTrain('sluice-winch');
    const view = draw(train);
    expect(faults(train, view)).toEqual([]);
    const [input, output] = view.ports;
    expect([input!.kind, output!.kind]).toEqual(['input', 'output']);
    expect(input!.x).toBe(Math.min(...view.shafts.map((shaft) => shaft.x1)));
    expect(output!.x).toBe(Math.max(...view.shafts.map((shaft) => shaft.x2)));
  });

  test('stays whole when a tooth count is typed, however unlike the others', () => {
    fc.assert(
      fc.property(fc.constantFrom('c', 'i', 'l', 'g3a', 'g3b'), fc.integer({ min: 1, max: 100_000 }), (gear, teeth) => {
        const edit = setTeeth(demoTrain('sluice-winch'), gear, teeth);
        if (!edit.ok) throw new Error(edit.message);
        const view = draw(edit.train);
        const overlaps = faults(edit.train, view).filter((fault) => !fault.includes('written over'));
        expect(overlaps).toEqual([]);
        const radius = (id: string) => view.gears.find((bar) => bar.gear === id)!.radius;
        for (const a of edit.train.gears) for (const b of edit.train.gears) if (a.teeth > b.teeth) expect(radius(a.id)).toBeGreaterThanOrEqual(radius(b.id));
      }),
    );
  });

  test('several pairs between two axes all touch, though their counts add up differently', () => {
    const lay = demoTrain('pan-rake');
    const members = lay.members.filter(({ id }) => ['in', 'lay', 'idler'].includes(id));
    const gears = [
      { id: 'a', member: 'in', teeth: 20, type: 'external' as const },
      { id: 'b', member: 'lay', teeth: 30, type: 'external' as const },
      { id: 'c', member: 'lay', teeth: 12, type: 'external' as const },
      { id: 'd', member: 'idler', teeth: 41, type: 'external' as const },
    ];
    const train: Train = { ...lay, members, gears, meshes: [{ id: 'x', gears: ['a', 'b'] }, { id: 'y', gears: ['c', 'd'] }], couplers: [], positions: [], outputs: ['idler'] };
    expect(faults(train, draw(train)).filter((fault) => fault.includes('touch'))).toEqual([]);
  });

  test('says what it cannot draw', () => {
    const drawn = drawSideView(demoTrain('stirrer'), SPACE);
    expect(drawn).toEqual({ ok: false, why: expect.stringContaining('planets') });
  });
});
