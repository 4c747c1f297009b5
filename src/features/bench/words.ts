import { FRAME, type Coupler, type Gear, type PartRef, type Train } from '@/core/train';
import type { MemberRole } from '@/core/powerflow';
import type { Status } from '@/core/solve';
import type { Position } from './analysis';

/** The words for parts and states, the same on the drawing, in the table and in the sentences. */
export const ROLE_TEXT: Record<MemberRole, string> = {
  drives: 'takes power in',
  'gives out': 'gives power out',
  carries: 'carries power',
  holds: 'held',
  still: 'stands',
  idle: 'turns idle',
  shared: 'torque shared',
  floats: 'floats',
};

export const STATUS_WORDS: Record<Status, string> = {
  drive: 'drives',
  split: 'split',
  neutral: 'neutral',
  held: 'held',
  locked: 'locked',
};

export function memberName(train: Train, id: string): string {
  return id === FRAME ? 'the frame' : train.members.find((member) => member.id === id)?.name || id;
}

export const couplerName = (train: Train, id: string): string =>
  train.couplers.find((coupler) => coupler.id === id)?.name ||
  (id.startsWith('self-lock') ? 'the self-locking worm' : id);

export const gearWords = (train: Train, gear: Gear): string =>
  `Gear on ${memberName(train, gear.member)}, ${gear.teeth} teeth`;

const COUPLER_KIND: Record<Coupler['type'], string> = {
  clutch: 'Clutch',
  brake: 'Brake',
  'one-way': 'One-way clutch',
  'sliding-mesh': 'Sliding mesh',
};

/** "Clutch C, in with r3s4", "Brake A on s12". */
export function couplerWords(train: Train, coupler: Coupler): string {
  const head = `${COUPLER_KIND[coupler.type]} ${coupler.name || coupler.id}`;
  if (!('joins' in coupler)) {
    const gears = train.meshes.find(({ id }) => id === coupler.mesh)?.gears ?? [];
    const [a, b] = gears.map((id) => memberName(train, train.gears.find((gear) => gear.id === id)?.member ?? FRAME));
    return `${head}, ${a} with ${b}`;
  }
  const [a, b] = coupler.joins;
  if (a === FRAME || b === FRAME) return `${head} on ${memberName(train, a === FRAME ? b : a)}`;
  return `${head}, ${memberName(train, a)} with ${memberName(train, b)}`;
}

/** What a part is called in a sentence. */
export function partWords(train: Train, { kind, id }: PartRef): string {
  const gear = kind === 'gear' ? train.gears.find((one) => one.id === id) : undefined;
  if (gear) return `gear ${gear.teeth} on ${memberName(train, gear.member)}`;
  return kind === 'coupler' ? couplerName(train, id) : memberName(train, id);
}

export type CouplerState = 'engaged' | 'off' | 'holds' | 'overruns';

/** Where a coupler stands: one-way clutches hold or overrun by themselves. */
export function couplerState({ id }: Coupler, { solved }: Position): CouplerState {
  const oneWay = solved.state.oneWays.get(id);
  return oneWay ?? (solved.engaged.has(id) ? 'engaged' : 'off');
}

/** A one-way clutch that nobody selects: it cannot be engaged or released by hand. */
export const decidesForItself = (coupler: Coupler): boolean =>
  coupler.type === 'one-way' && coupler.control !== 'selectable';

/** A text as a sentence: closed with a full stop unless the name at its end brings a mark of its own. */
export const sentence = (text: string): string => (/[.!?…]$/.test(text) ? text : `${text}.`);

/** "A", "A and B", "A, B and C". */
export const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
