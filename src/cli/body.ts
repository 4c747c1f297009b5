import { bodyGlb, bodyOf, bodyStlZip, motionOf, triangleCount } from '@/core/body';
import { itemAt } from '@/core/required';
import { refusalText } from '@/core/result';
import { partsById, type Train } from '@/core/train';
import { paperColor } from '@/figures/member-colors';
import { UsageError } from './usage-error';
import { writeFileWhole } from './write-whole';

const FORMATS = ['glb', 'stl'] as const;

interface BodyOptions {
  /** What is engaged; nothing where none is named. */
  readonly position?: string | undefined;
  readonly format?: string | undefined;
  readonly output?: string | undefined;
}

/**
 * Writes a train as a body: glTF binary, or a zip of a solid for each member in its place; says as JSON what it is.
 * @throws UsageError
 */
export function bodyJson(train: Train, { position, format, output }: BodyOptions): unknown {
  if (!FORMATS.includes(format as (typeof FORMATS)[number]))
    throw new UsageError('--format is glb, or stl for a zip of solids.');
  if (output === undefined) throw new UsageError('name the file that is to be written with -o.');
  const made = bodyOf(train);
  if (!made.ok) throw new UsageError(refusalText(made));
  const body = made.value;
  const motion = motionOf(train, partsById(train).find.position(position)?.engaged ?? []);
  const bytes =
    format === 'stl' ? bodyStlZip(train, body, motion) : bodyGlb(train, body, motion, (id) => paperColor(train, id));
  writeFileWhole(output, bytes);
  return {
    file: output,
    bytes: bytes.length,
    members: new Set(body.nodes.map(({ member }) => member)).size,
    pieces: body.nodes.length,
    triangles: body.nodes.reduce((sum, { surface }) => sum + triangleCount(itemAt(body.surfaces, surface)), 0),
    trueToSize: body.isTrue,
    touching: body.touching.map(({ members, at }) => ({ members, at })),
  };
}
