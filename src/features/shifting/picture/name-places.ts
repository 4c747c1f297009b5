import { itemAt, lookUp } from '@/core/required';
import type { Setup } from '../setup';
import { forceAt, type Frame } from './frame';

interface Place {
  readonly x: number;
  readonly y: number;
}

/** Of a curve's way from standstill to no load: where its name may stand, the most usual place first. */
const PARTS = [0.3, 0.2, 0.12, 0.4, 0.5, 0.06, 0.6, 0.7, 0.8, 0.9];
/** Pixels that a name takes, and how far one that is clear of everything stands from it. */
const [WIDTH, HEIGHT, CLEAR] = [16, 12, 15];

/** Where each position's name stands beside its curve: clear of what is drawn already, as far as there is room. */
export function namePlaces(frame: Frame, setup: Setup): ReadonlyMap<string, Place> {
  const { order } = setup.scenario;
  const taken = marksOf(frame, setup);
  const places = new Map<string, Place>();
  for (const id of order) {
    const best = PARTS.map((part) => placeAt(frame, setup, id, part))
      .filter(({ y }) => y > frame.top + HEIGHT)
      .map((place) => ({ place, room: roomAt(frame, setup, id, place, taken) }))
      .reduce<{ place: Place; room: number } | null>((a, b) => (a && a.room >= b.room ? a : b), null);
    const { place } = best ?? { place: placeAt(frame, setup, id, itemAt(PARTS, 0)) };
    places.set(id, place);
    taken.push({ x: place.x + WIDTH / 2, y: place.y - HEIGHT / 2 });
  }
  return places;
}

function placeAt(frame: Frame, setup: Setup, id: string, part: number): Place {
  const { x, y, free } = frame;
  const rpm = (part * free) / lookUp(setup.gearings, id).ratio;
  return { x: x(rpm) + 5, y: y(forceAt(frame, setup, id, rpm)) - 4 };
}

/** Where positions shift and where they meet the load. */
function marksOf(frame: Frame, setup: Setup): Place[] {
  const { x, y } = frame;
  const at = (id: string, rpm: number): Place => ({ x: x(rpm), y: y(forceAt(frame, setup, id, rpm)) });
  const shifts = setup.bands.flatMap(({ from, to, own }) =>
    own
      ? [
          at(from, own.upRpm / lookUp(setup.gearings, from).ratio),
          at(to, own.downRpm / lookUp(setup.gearings, to).ratio),
        ]
      : [],
  );
  const meetings = [...setup.points.positions.values()].flatMap(({ outputRpm, outputTorqueNm }) =>
    Number.isFinite(outputRpm) ? [{ x: x(outputRpm), y: y(outputTorqueNm) }] : [],
  );
  return [...shifts, ...meetings];
}

/**
 * Pixels from a name's middle to the nearest mark or name, or, up and down, to another curve; no more than it wants. A
 * load that is dragged asks for this of every place, so nothing is listed on the way.
 */
function roomAt(frame: Frame, setup: Setup, id: string, place: Place, taken: readonly Place[]): number {
  const { x, y } = frame;
  const middle = { x: place.x + WIDTH / 2, y: place.y - HEIGHT / 2 };
  let room = CLEAR;
  for (const mark of taken) room = Math.min(room, Math.hypot((mark.x - middle.x) * 0.7, mark.y - middle.y));
  const rpm = x.invert(middle.x);
  for (const other of setup.scenario.order) {
    const torque = other === id ? 0 : forceAt(frame, setup, other, rpm);
    // Where it has run out of speed there is no curve.
    if (torque > 0) room = Math.min(room, Math.abs(y(torque) - middle.y));
  }
  return room;
}
