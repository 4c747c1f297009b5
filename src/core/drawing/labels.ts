import { couplerName, memberName } from '../words';
import type { Train } from '../train';
import {
  distanceFromBox,
  labelBox,
  linesOf,
  overlap,
  segmentBox,
  TEXT_HEIGHT,
  textWidth,
  type Box,
  type Label,
  type Point,
  type SideView,
} from './geometry';
import { partsById } from '../train';
import { itemAt } from '../required';
import { wrapped } from './wrapped';

/** Pixels from where a shaft leaves the drawing to its name: the arrow stands between. */
const PORT_GAP = 24;

/** Pixels from the line of a shaft's arrow to a name over or under it. */
const OVER_ARROW = 16;

/** Names have lines of at most so many letters; where no place is wide enough, of fewer. */
const LONGEST = 16;
const SHORTER = [11, 7];

type Bare = Omit<SideView, 'labels'>;

/** Every label at the free place nearest its part among a few candidates, clear of lines, parts and other labels. */
export function placeLabels(train: Train, view: Bare): Label[] {
  const taken: Box[] = [
    ...view.lines.flatMap(({ segments }) => segments.map((segment) => segmentBox(segment, 3))),
    ...view.gears.map(({ box }) => box),
    ...view.couplers.map(({ x, y }) => ({ left: x - 10, right: x + 10, top: y - 10, bottom: y + 10 })),
    ...view.ties.map(({ x, y1, y2 }) => segmentBox({ x1: x, y1, x2: x, y2 }, 5)),
    ...view.bearings.map(({ x, y }) => ({ left: x - 9, right: x + 9, top: y - 12, bottom: y + 12 })),
  ];
  const labels: Label[] = [];
  const inside = ({ left, right, top, bottom }: Box) =>
    left >= 0 && right <= view.width && top >= 0 && bottom <= view.height;
  const put = (candidates: readonly Label[], may: (box: Box) => boolean = () => true) => {
    for (const label of candidates) {
      const box = labelBox(label);
      if (!inside(box) || taken.some((other) => overlap(box, other)) || !may(box)) continue;
      labels.push(label);
      taken.push(box);
      return true;
    }
    return false;
  };
  for (const { member, side, x, y } of view.ports) {
    const text = memberName(train, member);
    const of = { kind: 'member', id: member } as const;
    const [out, anchor] = side === 'left' ? ([-1, 'end'] as const) : ([1, 'start'] as const);
    // Beyond its arrow; where the shaft ends among the gears of others, over or under the arrow.
    const beside = [LONGEST, ...SHORTER].map((letters) => ({
      text: wrapped(text, letters),
      of,
      x: x + out * PORT_GAP,
      y,
      anchor,
    }));
    const over = [1, -1, 2, -2].flatMap((way) =>
      [anchor, 'middle' as const, anchor === 'end' ? ('start' as const) : ('end' as const)].map((held) => ({
        text: wrapped(text),
        of,
        x: x + out * 6,
        y: y + way * OVER_ARROW,
        anchor: held,
      })),
    );
    put([itemAt(beside, 0), ...over, ...beside.slice(1)]);
  }
  for (const { coupler: id, x, y } of view.couplers) {
    const text = couplerName(train, id);
    const box = { left: x - 11, right: x + 11, top: y - 11, bottom: y + 11 };
    const of = { kind: 'coupler', id } as const;
    // Between narrow neighbours a name stands further over or under its coupler, or on several lines, rather than
    // nowhere.
    const candidates = (shown: string) => [
      ...nearestFirst(around(shown, of, box), { x, y }),
      ...stacked(shown, of, box),
    ];
    const own = (label: Box) => {
      const far = distanceFromBox(label, { x, y });
      return view.couplers.every((other) => other.coupler === id || distanceFromBox(label, other) > far);
    };
    [LONGEST, ...SHORTER].some((letters) => put(candidates(wrapped(text, letters)), own));
  }
  const done = new Set<string>();
  for (const { gear: id, box, shape, x, y } of view.gears) {
    if (done.has(id)) continue;
    done.add(id);
    const { teeth } = partsById(train).gear(id);
    const candidates = around(String(teeth), { kind: 'gear', id }, box);
    put(shape === 'planet' ? nearestFirst(candidates, { x, y }) : candidates);
  }
  const portMembers = new Set(view.ports.map(({ member }) => member));
  for (const { member, segments } of view.lines) {
    if (portMembers.has(member) || !view.bearings.length) continue;
    const run = segments.filter(({ y1, y2 }) => y1 === y2).sort((a, b) => b.x2 - b.x1 - (a.x2 - a.x1))[0];
    if (!run || !view.bearings.some(({ x, y }) => y === run.y1 && (x === run.x1 || x === run.x2))) continue;
    const of = { kind: 'member' as const, id: member };
    const text = wrapped(memberName(train, member));
    put([
      { text, of, x: run.x1 - 14, y: run.y1, anchor: 'end' },
      { text, of, x: run.x2 + 14, y: run.y1, anchor: 'start' },
      { text, of, x: run.x1 - 4, y: run.y1 + 22, anchor: 'middle' },
      { text, of, x: run.x2 + 4, y: run.y1 + 22, anchor: 'middle' },
    ]);
  }
  return labels;
}

/** By the distance from the label's middle: a name far to one side may be taken for that of the next part. */
function nearestFirst(labels: readonly Label[], { x, y }: Point): Label[] {
  const far = (label: Label) => {
    const { left, right, top, bottom } = labelBox(label);
    return Math.hypot((left + right) / 2 - x, (top + bottom) / 2 - y);
  };
  return labels
    .map((label) => ({ label, at: far(label) }))
    .sort((a, b) => a.at - b.at)
    .map(({ label }) => label);
}

/** Room that the names at the input and the outputs need beside the drawing. */
export function portRoom(train: Train): number {
  const names = [train.input, ...train.outputs].map((id) => memberName(train, id));
  return Math.ceil(PORT_GAP + 6 + Math.max(...names.map((name) => textWidth(wrapped(name)))));
}

/** Candidates over and under a box, half a line of text further away each time, and to either side of it. */
function stacked(text: string, of: Label['of'], { left, right, top, bottom }: Box): Label[] {
  const more = (linesOf(text).length * TEXT_HEIGHT) / 2;
  const across = (left + right) / 2;
  return Array.from({ length: 24 }, (_, i) => more + ((i + 1) * TEXT_HEIGHT) / 2).flatMap((far) =>
    [top - far, bottom + far].flatMap((y): Label[] => [
      { text, of, x: across, y, anchor: 'middle' },
      ...[0, 8, 16, 24, 36, 52, 70].flatMap((aside): Label[] => [
        { text, of, x: left + aside, y, anchor: 'start' },
        { text, of, x: right - aside, y, anchor: 'end' },
        { text, of, x: right + aside, y, anchor: 'start' },
        { text, of, x: left - aside, y, anchor: 'end' },
      ]),
    ]),
  );
}

/**
 * Candidates round a box, nearest first: beside it at the top, the foot and the middle, over and under it, then
 * anywhere near.
 */
function around(text: string, of: Label['of'], { left, right, top, bottom }: Box): Label[] {
  const middle = (top + bottom) / 2;
  const across = (left + right) / 2;
  const half = (linesOf(text).length * TEXT_HEIGHT) / 2;
  const found: Label[] = [];
  const beside = (y: number, gap: number) =>
    found.push({ text, of, x: right + gap, y, anchor: 'start' }, { text, of, x: left - gap, y, anchor: 'end' });
  for (const gap of [4, 9]) {
    for (const y of [Math.min(top + half, middle), Math.max(bottom - half, middle), middle, top - half, bottom + half])
      beside(y, gap);
    for (const y of [top - half - gap, bottom + half + gap]) {
      found.push(
        { text, of, x: across, y, anchor: 'middle' },
        { text, of, x: right - 4, y, anchor: 'end' },
        { text, of, x: left + 4, y, anchor: 'start' },
      );
    }
  }
  for (const gap of [4, 10, 16, 24, 32]) {
    for (let y = middle; y <= bottom + half + gap; y += 6) {
      beside(y, gap);
      beside(2 * middle - y, gap);
    }
  }
  return found;
}
