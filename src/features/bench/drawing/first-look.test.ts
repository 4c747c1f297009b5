import type { PowerLine } from '@/core/drawing';
import { firstLook, WHOLE, type Look } from './first-look';

const VIEW = { width: 880, height: 400 };
const PHONE = { width: 390, height: 320 };
const line = (x1: number, y1: number, x2: number, y2: number): PowerLine => ({
  member: 'm',
  from: { x: x1, y: y1 },
  to: { x: x2, y: y2 },
  share: 1,
});
const fitted = 390 / 880;
/** Where a place of the drawing comes to lie in the pane, px. */
const shown = ({ scale, x, y }: Look, at: { x: number; y: number }) => ({
  x: (scale * at.x + x) * fitted + (PHONE.width - VIEW.width * fitted) / 2,
  y: (scale * at.y + y) * fitted + (PHONE.height - VIEW.height * fitted) / 2,
});

test('a wide pane shows the whole', () => {
  expect(firstLook(VIEW, [line(0, 0, 880, 0)], { width: 880, height: 400 })).toBe(WHOLE);
});

test('in a narrow pane texts are as large as can be read, and the path is in the middle', () => {
  const look = firstLook(VIEW, [line(350, 100, 550, 300)], PHONE);
  expect(look.scale * fitted * 13.5).toBeCloseTo(9, 6);
  expect(shown(look, { x: 450, y: 200 })).toEqual({ x: expect.closeTo(195, 3), y: expect.closeTo(160, 3) });
});

test('a path longer than what is in sight is looked at from its input, and no side shows more than the drawing', () => {
  const long = firstLook(VIEW, [line(20, 200, 860, 200)], PHONE);
  expect(shown(long, { x: 0, y: 200 }).x).toBeCloseTo(0, 3);
  const right = firstLook(VIEW, [line(840, 200, 870, 200)], PHONE);
  expect(shown(right, { x: 880, y: 200 }).x).toBeCloseTo(390, 3);
});
