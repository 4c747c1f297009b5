import type { Material } from '../limits';
import { teethSchema, type Coupler, type Gear, type Member, type Mesh, type Train } from '../schema';
import type { TrainFigure } from '../wheel-fields';
import { checked, refused, type Edit } from './edit';
import { itemAt, lookUp } from '../../required';

/** Reads a typed tooth count: whole, 1 to 100 000. */
export function readTeeth(text: string): { ok: true; teeth: number } | { ok: false; message: string } {
  const trimmed = text.trim();
  if (trimmed === '') return { ok: false, message: 'Type a tooth count: a whole number from 1 to 100 000.' };
  if (!/^[+-]?\d+(\.\d+)?([eE][+-]?\d+)?$/.test(trimmed))
    return { ok: false, message: `"${trimmed.slice(0, 20)}" is not a number. Type a whole number from 1 to 100 000.` };
  const result = teethSchema.safeParse(Number(trimmed));
  return result.success
    ? { ok: true, teeth: result.data }
    : { ok: false, message: `${itemAt(result.error.issues, 0).message} Type a whole number from 1 to 100 000.` };
}

/** Gives a gear another tooth count. */
export const setTeeth = (train: Train, gear: string, teeth: number): Edit => changeGear(train, gear, { teeth });

/** Renames the train. */
export const renameTrain = (train: Train, name: string): Edit => checked({ ...train, name: name.trim() });

export type GearChange = Partial<Omit<Gear, 'id' | 'member' | 'type'>>;
type MemberChange = Partial<Pick<Member, 'name' | 'color' | 'copies' | 'limit' | 'bearings'>>;
type MeshChange = Partial<Omit<Mesh, 'id' | 'gears'>>;
type CouplerChange = {
  readonly name?: string;
  readonly style?: Coupler['style'];
  readonly capacity?: number;
  readonly radius?: number;
  readonly control?: 'always' | 'selectable';
};

/** Changes what is said of a gear beside its kind and member; undefined takes an optional value away. */
export const changeGear = (train: Train, id: string, change: GearChange): Edit =>
  changeOne(train, 'gears', id, 'gear', change);

/** Changes a member's name, colour or number of equal planets. */
export const changeMember = (train: Train, id: string, change: MemberChange): Edit =>
  changeOne(train, 'members', id, 'member', change);

/** Changes what a mesh loses, whether it locks itself, or which way it turns. */
export const changeMesh = (train: Train, id: string, change: MeshChange): Edit =>
  changeOne(train, 'meshes', id, 'mesh', change);

/**
 * Changes a coupler's name, style, capacity or control; a one-way clutch that is always on is engaged in no position.
 */
export function changeCoupler(train: Train, id: string, change: CouplerChange): Edit {
  const alwaysOn = change.control === 'always';
  const positions = alwaysOn
    ? train.positions.map((position) => ({ ...position, engaged: position.engaged.filter((other) => other !== id) }))
    : train.positions;
  return changeOne({ ...train, positions }, 'couplers', id, 'coupler', change);
}

/**
 * Makes a gear one of another kind. Bevel and worm meshes say which way they turn: opposite, until it is changed;
 * others follow from their kinds.
 */
export function setGearType(train: Train, id: string, type: Gear['type']): Edit {
  const kinds = new Map(train.gears.map((gear) => [gear.id, gear.id === id ? type : gear.type]));
  const meshes = train.meshes.map((mesh): Mesh => {
    if (!mesh.gears.includes(id)) return mesh;
    // A worm is named first in its mesh; only a worm locks.
    const { selfLocking, sense, ...plain } = mesh;
    const gears: Mesh['gears'] = type === 'worm' && mesh.gears[1] === id ? [mesh.gears[1], mesh.gears[0]] : mesh.gears;
    const says = gears.some((gear) => ['bevel', 'worm'].includes(lookUp(kinds, gear)));
    return {
      ...plain,
      gears,
      ...(selfLocking && kinds.get(gears[0]) === 'worm' && { selfLocking }),
      ...(says && { sense: sense ?? 'opposite' }),
    };
  });
  return changeOne({ ...train, meshes }, 'gears', id, 'gear', { type });
}

/** The tip speed (m/s) above which gears of a material are warned of; undefined goes back to the usual one. */
export function setTipSpeedLimit(train: Train, material: Material, limit: number | undefined): Edit {
  const limits = without({ ...train.tipSpeedLimits, [material]: limit });
  return checked(without({ ...train, tipSpeedLimits: Object.keys(limits).length > 0 ? limits : undefined }));
}

/** Changes what holds for all gears of a train; undefined takes it away. */
export const changeTrain = (train: Train, change: Partial<Pick<Train, TrainFigure | 'elasticity'>>): Edit =>
  checked(without({ ...train, ...change }));

/** The modulus of elasticity of a material, N/mm²; undefined goes back to the usual one. */
export function changeElasticity(train: Train, material: Material, value: number | undefined): Edit {
  const values = without({ ...train.elasticity, [material]: value });
  return changeTrain(train, { elasticity: Object.keys(values).length > 0 ? values : undefined });
}

/** Sets a finding of the checks aside, with the reason. */
export function setAside(train: Train, finding: string, note: string): Edit {
  if (note.trim() === '') return refused('Say in a few words why it may stay as it is.');
  return checked({
    ...train,
    setAside: [...(train.setAside ?? []).filter((kept) => kept.finding !== finding), { finding, note: note.trim() }],
  });
}

/** Takes a finding up again that was set aside. */
export function reopenFinding(train: Train, finding: string): Edit {
  const left = (train.setAside ?? []).filter((kept) => kept.finding !== finding);
  return checked(without({ ...train, setAside: left.length > 0 ? left : undefined }));
}

function changeOne(
  train: Train,
  list: 'gears' | 'members' | 'meshes' | 'couplers',
  id: string,
  what: string,
  change: object,
): Edit {
  const items: readonly { readonly id: string }[] = train[list];
  if (!items.some((item) => item.id === id)) return refused(`There is no ${what} "${id}".`);
  return checked({
    ...train,
    [list]: items.map((item) => (item.id === id ? without({ ...item, ...change }) : item)),
  } as Train);
}

/** Drops keys whose value is undefined: the document holds only what is said. */
const without = <T extends object>(item: T): T =>
  Object.fromEntries(Object.entries(item).filter(([, value]) => value !== undefined)) as T;

/** Makes a member the input; if it was an output, the old input takes its place. */
export function setInput(train: Train, member: string): Edit {
  return checked({
    ...train,
    input: member,
    outputs: train.outputs.map((output) => (output === member ? train.input : output)),
  });
}

/** Makes a member an output, or no longer one; the last output stays. */
export function toggleOutput(train: Train, member: string): Edit {
  if (member === train.input) return refused('The input cannot be an output as well. Choose another input first.');
  if (!train.outputs.includes(member)) return checked({ ...train, outputs: [...train.outputs, member] });
  if (train.outputs.length === 1) return refused('A train needs an output. Make another member an output first.');
  return checked({ ...train, outputs: train.outputs.filter((output) => output !== member) });
}
