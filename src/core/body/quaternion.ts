import type { AxisFrame } from './axis-frames';

/** A turn in space: x, y, z, w. */
export type Quaternion = readonly [number, number, number, number];

/** A turn about Z. */
export const about = (angle: number): Quaternion => [0, 0, Math.sin(angle / 2), Math.cos(angle / 2)];

/** First the second turn, then the first. */
export const times = ([ax, ay, az, aw]: Quaternion, [bx, by, bz, bw]: Quaternion): Quaternion => [
  aw * bx + ax * bw + ay * bz - az * by,
  aw * by - ax * bz + ay * bw + az * bx,
  aw * bz + ax * by - ay * bx + az * bw,
  aw * bw - ax * bx - ay * by - az * bz,
];

/** The turn that brings a frame's directions to where they lie (Shepperd's method, by the largest of four). */
export function frameTurn({ directions: [X, Y, Z] }: AxisFrame): Quaternion {
  const trace = X[0] + Y[1] + Z[2];
  const squares = [X[0], Y[1], Z[2], trace];
  const largest = squares.indexOf(Math.max(...squares));
  const all: Quaternion[] = [
    [1 + X[0] - Y[1] - Z[2], X[1] + Y[0], Z[0] + X[2], Y[2] - Z[1]],
    [X[1] + Y[0], 1 - X[0] + Y[1] - Z[2], Y[2] + Z[1], Z[0] - X[2]],
    [Z[0] + X[2], Y[2] + Z[1], 1 - X[0] - Y[1] + Z[2], X[1] - Y[0]],
    [Y[2] - Z[1], Z[0] - X[2], X[1] - Y[0], 1 + trace],
  ];
  const found = all[largest] ?? [0, 0, 0, 1];
  const length = Math.hypot(...found);
  return found.map((value) => value / length) as unknown as Quaternion;
}
