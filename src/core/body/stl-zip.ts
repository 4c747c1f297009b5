import { strToU8, zipSync } from 'fflate';
import { itemAt } from '../required';
import { stlBytes } from '../shapes';
import type { Train } from '../train';
import type { TrainBody } from './body-node';
import { nameOf } from './gltf';
import type { Motion } from './moving';
import { poseOf } from './pose';

/** Every member as a solid in its place, binary STL in mm, in one zip with a list of what is what. */
export function bodyStlZip(train: Train, body: TrainBody, motion: Motion): Uint8Array {
  const members = [...new Set(body.nodes.map(({ member }) => member))];
  const files: Record<string, Uint8Array> = {};
  const list = members.map((member, i) => {
    const triangles = body.nodes
      .filter((node) => node.member === member)
      .flatMap((node) => placedTriangles(body, node, motion));
    const name = nameOf(train, member);
    const file = `${String(i + 1).padStart(2, '0')} ${name.replace(/[^\p{L}\p{N} ]+/gu, ' ').trim() || 'member'}.stl`;
    files[file] = stlBytes(triangles, name);
    return { member, name, file, triangles: triangles.length / 9 };
  });
  files['members.json'] = strToU8(
    JSON.stringify({ train: train.name, unit: 'mm', trueToSize: body.isTrue, members: list }, null, 2),
  );
  return zipSync(files, { level: 6 });
}

function placedTriangles(
  { surfaces, axes }: TrainBody,
  node: TrainBody['nodes'][number],
  { closed }: Motion,
): number[] {
  const { positions, corners } = itemAt(surfaces, node.surface);
  const pose = poseOf(node, itemAt(axes, node.axis), () => 0, closed);
  const at = (i: number) => itemAt(pose, i);
  const placed: number[] = [];
  for (const corner of corners) {
    const [x, y, z] = [
      itemAt(positions, 3 * corner),
      itemAt(positions, 3 * corner + 1),
      itemAt(positions, 3 * corner + 2),
    ];
    for (let k = 0; k < 3; k++) placed.push(at(k) * x + at(4 + k) * y + at(8 + k) * z + at(12 + k));
  }
  return placed;
}
