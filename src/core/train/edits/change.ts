import { teethSchema, type Coupler, type Gear, type Member, type Mesh, type Train } from '../schema';
import { checked, refused, type Edit } from './edit';

/** Reads a typed tooth count: whole, 1 to 100 000. */
export function readTeeth(text: string): { ok: true; teeth: number } | { ok: false; message: string } {
  const trimmed = text.trim();
  if (trimmed === '') return { ok: false, message: 'Type a tooth count: a whole number from 1 to 100 000.' };
  if (!/^[+-]?\d+(\.\d+)?([eE][+-]?\d+)?$/.test(trimmed)) return { ok: false, message: `"${trimmed.slice(0, 20)}" is not a number. Type a whole number from 1 to 100 000.` };
  const result = teethSchema.safeParse(Number(trimmed));
  return result.success ? { ok: true, teeth: result.data } : { ok: false, message: `${result.error.issues[0]!.message} Type a whole number from 1 to 100 000.` };
}

/** Gives a gear another tooth count. */
export const setTeeth = (train: Train, gear: string, teeth: number): Edit => changeGear(train, gear, { teeth });

/** Renames the train. */
export const renameTrain = (train: Train, name: string): Edit => checked({ ...train, name: name.trim() });

type GearChange = Partial<Pick<Gear, 'teeth' | 'module' | 'station'>>;
type MemberChange = Partial<Pick<Member, 'name' | 'color' | 'copies'>>;
type MeshChange = Partial<Pick<Mesh, 'efficiency' | 'backEfficiency' | 'selfLocking'>>;
type CouplerChange = { readonly name?: string; readonly style?: Coupler['style']; readonly capacity?: number };

/** Changes a gear's teeth, module or station; undefined takes an optional value away. */
export const changeGear = (train: Train, id: string, change: GearChange): Edit => changeOne(train, 'gears', id, 'gear', change);

/** Changes a member's name, colour or number of equal planets. */
export const changeMember = (train: Train, id: string, change: MemberChange): Edit => changeOne(train, 'members', id, 'member', change);

/** Changes what a mesh loses, or whether it locks itself. */
export const changeMesh = (train: Train, id: string, change: MeshChange): Edit => changeOne(train, 'meshes', id, 'mesh', change);

/** Changes a coupler's name, style or capacity. */
export const changeCoupler = (train: Train, id: string, change: CouplerChange): Edit => changeOne(train, 'couplers', id, 'coupler', change);

function changeOne(train: Train, list: 'gears' | 'members' | 'meshes' | 'couplers', id: string, what: string, change: object): Edit {
  const items: readonly { readonly id: string }[] = train[list];
  if (!items.some((item) => item.id === id)) return refused(`There is no ${what} "${id}".`);
  return checked({ ...train, [list]: items.map((item) => (item.id === id ? without({ ...item, ...change }) : item)) } as Train);
}

/** Drops keys whose value is undefined: the document holds only what is said. */
const without = <T extends object>(item: T): T => Object.fromEntries(Object.entries(item).filter(([, value]) => value !== undefined)) as T;

/** Makes a member the input; if it was an output, the old input takes its place. */
export function setInput(train: Train, member: string): Edit {
  return checked({ ...train, input: member, outputs: train.outputs.map((output) => (output === member ? train.input : output)) });
}

/** Makes a member an output, or no longer one; the last output stays. */
export function toggleOutput(train: Train, member: string): Edit {
  if (member === train.input) return refused('The input cannot be an output as well. Choose another input first.');
  if (!train.outputs.includes(member)) return checked({ ...train, outputs: [...train.outputs, member] });
  if (train.outputs.length === 1) return refused('A train needs an output. Make another member an output first.');
  return checked({ ...train, outputs: train.outputs.filter((output) => output !== member) });
}
