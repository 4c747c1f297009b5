import fc from 'fast-check';
import { demoNames, demoTrain } from '@/testing/demo-train';
import { FRAME, setTeeth, type Train } from '../train';
import { endView } from '../end-view';
import { drawSideView, type Box, type Segment, type SideView } from '.';
import { labelBox, overlap, segmentBox } from './geometry';

const SPACE = { width: 880, height: 400 };
const ALL = demoNames();

function draw(train: Train): SideView {
  const drawn = drawSideView(train, SPACE);
  if (!drawn.ok) throw new Error(drawn.why);
  return drawn.view;
}

const shrink = ({ left, right, top, bottom }: Box, by: number): Box => ({
  left: left + by,
  right: right - by,
  top: top + by,
  bottom: bottom - by,
});
const meet = (a: Segment, b: Segment) => overlap(segmentBox(a, 0.25), segmentBox(b, 0.25));

/** Gears on top of each other, and meshing gears that do not touch. */
function gearFaults(train: Train, view: SideView): string[] {
  const found: string[] = [];
  const meshing = new Set(train.meshes.map(({ gears }) => [...gears].sort().join()));
  const internal = new Set(train.gears.filter(({ type }) => type === 'internal').map(({ id }) => id));
  view.gears.forEach((a, i) => {
    for (const b of view.gears.slice(i + 1)) {
      if (!meshing.has([a.gear, b.gear].sort().join()) && overlap(shrink(a.box, 1), shrink(b.box, 1)))
        found.push(`${a.gear} overlaps ${b.gear}`);
    }
  });
  for (const { id, gears } of train.meshes) {
    const [first, second] = gears.map((gear) => view.gears.filter((shape) => shape.gear === gear));
    const pairs = first!.flatMap((a) => second!.map((b) => [a, b] as const));
    const touch = pairs.some(([a, b]) => {
      if (a.shape === 'side' || b.shape === 'side') return Math.abs(a.x - b.x) <= a.halfWidth + b.halfWidth + 30;
      const nested =
        internal.has(a.gear) !== internal.has(b.gear) &&
        [a, b].every(({ shape }) => shape === 'bar' || shape === 'cup');
      const reach = nested ? Math.abs(a.radius - b.radius) : a.radius + b.radius;
      return Math.abs(a.x - b.x) <= Math.abs(a.halfWidth - b.halfWidth) && Math.abs(Math.abs(a.y - b.y) - reach) <= 4;
    });
    if (!touch && !view.ties.some(({ mesh }) => mesh === id)) found.push(`${gears.join(' and ')} do not touch`);
  }
  return found;
}

/** Lines of two members that share a place, run through a gear, or do not hang together; parts that hang on nothing. */
function lineFaults(train: Train, view: SideView): string[] {
  const found: string[] = [];
  const planets = new Map(train.members.flatMap(({ id, carrier }) => (carrier ? [[id, carrier] as const] : [])));
  const isCrossing = (x: number, y: number) =>
    view.crossings.some((crossing) => Math.hypot(crossing.x - x, crossing.y - y) < 2);
  view.lines.forEach((a, i) => {
    for (const b of view.lines.slice(i + 1)) {
      for (const s of a.segments)
        for (const t of b.segments)
          if (meet(s, t) && !isCrossing(s.x1 === s.x2 ? s.x1 : t.x1, s.y1 === s.y2 ? s.y1 : t.y1))
            found.push(`${a.member} and ${b.member} share a place`);
    }
    for (const gear of view.gears) {
      // A carrier's pin goes through its own planets.
      if (gear.member === a.member || planets.get(gear.member) === a.member) continue;
      const body = shrink(gear.box, 1);
      const halves =
        gear.bore > 0
          ? [
              { ...body, bottom: gear.y - gear.bore + 1 },
              { ...body, top: gear.y + gear.bore - 1 },
            ]
          : [body];
      for (const s of a.segments)
        if (halves.some((half) => half.top < half.bottom && overlap(half, segmentBox(s, 0.25))))
          found.push(`${a.member} runs through ${gear.gear}`);
    }
    const reached = new Set([`${a.links[0]!.x1},${a.links[0]!.y1}`]);
    for (let before = 0; before !== reached.size;) {
      before = reached.size;
      for (const { x1, y1, x2, y2 } of a.links)
        if (reached.has(`${x1},${y1}`) || reached.has(`${x2},${y2}`)) reached.add(`${x1},${y1}`).add(`${x2},${y2}`);
    }
    if (a.links.some(({ x1, y1 }) => !reached.has(`${x1},${y1}`))) found.push(`${a.member} falls apart`);
    for (const { member, part, at } of view.attachments)
      if (member === a.member && !reached.has(`${at.x},${at.y}`))
        found.push(`${part.kind} ${part.id} does not reach ${member}`);
  });
  const hangs = (member: string, kind: string, id: string) =>
    view.attachments.some((own) => own.member === member && own.part.kind === kind && own.part.id === id) ||
    found.push(`${kind} ${id} is not on ${member}`);
  for (const { id, member } of train.gears) if (!planets.has(member) && member !== FRAME) hangs(member, 'gear', id);
  for (const [planet, carrier] of planets) hangs(carrier, 'pin', planet);
  for (const coupler of train.couplers)
    if ('joins' in coupler)
      for (const member of coupler.joins) if (member !== FRAME) hangs(member, 'coupler', coupler.id);
  for (const member of [train.input, ...train.outputs]) hangs(member, 'port', member);
  return found;
}

function labelFaults(train: Train, view: SideView): string[] {
  const found: string[] = [];
  const lines = view.lines.flatMap(({ segments }) => segments.map((segment) => segmentBox(segment, 1.5)));
  view.labels.forEach((label, i) => {
    const own = labelBox(label);
    if (own.left < 0 || own.right > view.width || own.top < 0 || own.bottom > view.height)
      found.push(`${label.text} leaves the drawing`);
    if (view.gears.some(({ box }) => overlap(own, box))) found.push(`${label.text} is written over a gear`);
    if (lines.some((line) => overlap(own, line))) found.push(`${label.text} is written over a line`);
    if (view.couplers.some(({ x, y }) => overlap(own, { left: x - 8, right: x + 8, top: y - 8, bottom: y + 8 })))
      found.push(`${label.text} is written over a coupler`);
    if (view.labels.slice(i + 1).some((other) => overlap(own, labelBox(other))))
      found.push(`${label.text} is written over a label`);
  });
  const labelled = (kind: string, id: string) => view.labels.some(({ of }) => of.kind === kind && of.id === id);
  for (const { id } of train.couplers) if (!labelled('coupler', id)) found.push(`coupler ${id} has no label`);
  for (const { id } of train.gears) if (!labelled('gear', id)) found.push(`gear ${id} has no label`);
  for (const { member } of view.ports) if (!labelled('member', member)) found.push(`${member} has no label`);
  return found;
}

const faults = (train: Train, view: SideView) => [
  ...gearFaults(train, view),
  ...lineFaults(train, view),
  ...labelFaults(train, view),
];

describe('side view', () => {
  test.each(ALL)('%s: nothing overlaps, everything reaches, no line crosses, every label is clear', (name) => {
    const train = demoTrain(name);
    const view = draw(train);
    expect(faults(train, view)).toEqual([]);
    expect(view.crossings).toEqual([]);
    expect(view.couplers.map(({ coupler }) => coupler).sort()).toEqual(train.couplers.map(({ id }) => id).sort());
  });

  test('input at the left, output at the right', () => {
    const view = draw(demoTrain('sluice-winch'));
    expect(view.ports.map(({ kind, side }) => `${kind} ${side}`)).toEqual(['input left', 'output right']);
    const xs = view.lines.flatMap(({ segments }) => segments.flatMap(({ x1, x2 }) => [x1, x2]));
    expect([view.ports[0]!.x, view.ports[1]!.x]).toEqual([Math.min(...xs), Math.max(...xs)]);
  });

  test('stays whole when a tooth count is typed, however unlike the others', () => {
    fc.assert(
      fc.property(fc.constantFrom('c', 'i', 'l', 'g3a', 'g3b'), fc.integer({ min: 1, max: 100_000 }), (gear, teeth) => {
        const edit = setTeeth(demoTrain('sluice-winch'), gear, teeth);
        if (!edit.ok) throw new Error(edit.message);
        const view = draw(edit.train);
        expect([...gearFaults(edit.train, view), ...lineFaults(edit.train, view)]).toEqual([]);
        const radius = (id: string) => view.gears.find((shape) => shape.gear === id)!.radius;
        for (const a of edit.train.gears)
          for (const b of edit.train.gears)
            if (a.teeth > b.teeth) expect(radius(a.id)).toBeGreaterThanOrEqual(radius(b.id));
      }),
    );
  });

  test('keeps its order of figures when the four-set box gets another tooth count', () => {
    const before = draw(demoTrain('harvester'));
    const edit = setTeeth(demoTrain('harvester'), 's4', 31);
    if (!edit.ok) throw new Error(edit.message);
    expect(draw(edit.train).order).toEqual(before.order);
  });

  test('given stations say where the figures stand', () => {
    const train = demoTrain('harvester');
    const stations: Record<string, number> = { p1: 4, p2: 3, p3: 2, p4: 1 };
    const placed = {
      ...train,
      gears: train.gears.map((gear) => (gear.member in stations ? { ...gear, station: stations[gear.member] } : gear)),
    };
    expect(draw(placed).order).toEqual(['set p4', 'set p3', 'set p2', 'set p1']);
  });

  test('several pairs between two axes all touch, though their counts add up differently', () => {
    const rake = demoTrain('pan-rake');
    const gears = rake.gears.map((gear) => (gear.id === 'g2b' ? { ...gear, teeth: 60 } : gear));
    expect(gearFaults({ ...rake, gears }, draw({ ...rake, gears }))).toEqual([]);
  });

  test('only the reverse idler of the rake, whose shafts stand in a triangle, is tied by a line', () => {
    expect(draw(demoTrain('pan-rake')).ties.map(({ mesh, kind }) => `${mesh} ${kind}`)).toEqual(['m6 folded']);
  });

  test('a chain joins two wheels that do not touch', () => {
    const winch = demoTrain('sluice-winch');
    const chained: Train = {
      ...winch,
      gears: winch.gears.map((gear) => (['g3a', 'g3b'].includes(gear.id) ? { ...gear, type: 'sprocket' } : gear)),
    };
    const view = draw(chained);
    expect(view.ties.map(({ mesh, kind }) => `${mesh} ${kind}`)).toEqual(['m3 chain']);
    const [chain] = view.ties;
    expect(chain!.y2 - chain!.y1).toBeGreaterThan(10);
    expect([...gearFaults(chained, view), ...lineFaults(chained, view)]).toEqual([]);
  });

  test('a hand whose shaft cannot reach the edge past the wheels of others ends beside its own wheel', () => {
    const view = draw(demoTrain('tide-dial'));
    const end = (member: string) => view.ports.find((port) => port.member === member)!.x;
    const wheel = (gear: string) => view.gears.find((shape) => shape.gear === gear)!.x;
    expect(end('season')).toBeGreaterThan(Math.max(...view.gears.map(({ x }) => x)));
    expect(end('tide')).toBeGreaterThan(wheel('d'));
    expect(end('tide')).toBeLessThan(wheel('e'));
  });

  test('two wheels of one axis that mesh the same pinion stand side by side on a long pinion', () => {
    const rake = demoTrain('pan-rake');
    const train: Train = {
      ...rake,
      members: [...rake.members, { id: 'w4', name: 'low wheel' }],
      gears: [...rake.gears, { id: 'g5', member: 'w4', teeth: 38, type: 'external' }],
      meshes: [...rake.meshes, { id: 'm7', gears: ['g2a', 'g5'] }],
      couplers: [...rake.couplers, { id: 'low', name: 'Low', type: 'clutch', joins: ['w4', 'out'] }],
    };
    const view = draw(train);
    expect(gearFaults(train, view)).toEqual([]);
    const [pinion, first, second] = ['g2a', 'g2b', 'g5'].map((id) => view.gears.find(({ gear }) => gear === id)!);
    for (const wheel of [first!, second!])
      expect([
        wheel.x - wheel.halfWidth >= pinion!.x - pinion!.halfWidth,
        wheel.x + wheel.halfWidth <= pinion!.x + pinion!.halfWidth,
      ]).toEqual([true, true]);
    expect(view.couplers.map(({ coupler }) => coupler)).toContain('low');
    expect(view.labels.flatMap(({ of }) => (of.kind === 'coupler' ? [of.id] : [])).sort()).toEqual(
      train.couplers.map(({ id }) => id).sort(),
    );
    expect(view.crossings).toEqual([]);
    const both = endView(train, view.order).filter(({ wheels }) => wheels.some(({ gear }) => gear === 'g2a'));
    expect(both.map(({ wheels }) => wheels.map(({ gear }) => gear))).toEqual([
      ['g2a', 'g2b'],
      ['g2a', 'g5'],
    ]);
  });

  test('says what it cannot draw', () => {
    const empty = { ...demoTrain('sluice-winch'), gears: [], meshes: [] };
    expect(drawSideView(empty, SPACE)).toEqual({ ok: false, why: 'There is no gear to draw yet.' });
    const winch = demoTrain('sluice-winch');
    const many = {
      ...winch,
      gears: Array.from({ length: 300 }, (_, i) => ({
        id: `g${i}`,
        member: 'drum',
        teeth: 20,
        type: 'external' as const,
      })),
      meshes: [],
    };
    expect(drawSideView(many, SPACE)).toEqual({ ok: false, why: expect.stringContaining('300 gears') });
  });
});
