import { type OpenTrain } from '@/core/kinematics';
import { meshRoles, powerFlow, type PowerPath } from '@/core/powerflow';
import { sign, toFraction } from '@/core/rational';
import {
  driveBackward,
  engagementsThatDrive,
  lockSet,
  oneWayAccounts,
  powerStops,
  slipPoints,
  solveEngaged,
  type OneWayAccount,
  type Solved,
} from '@/core/solve';
import { FRAME, type Position, type Train } from '@/core/train';
import { ratioText, type RatioConvention } from '@/core/units';
import { workingText, workingOf, type Names, type SetSchool } from '@/core/working';
import { modelOf } from '@/core/model';
import { inWords, namesIn, setName, type PartWords } from '@/core/words';

interface TraceOptions {
  readonly position?: string;
  readonly losses: boolean;
  readonly convention: RatioConvention;
  readonly sets: SetSchool;
  readonly words: PartWords;
}

/** The working and the power path of every position (or one), as text. */
export function traceText(train: Train, { position, words, ...how }: TraceOptions): string {
  const open = modelOf(train).open;
  const wanted = train.positions.filter(({ id }) => position === undefined || id === position);
  const parts = wanted.map((one) => positionText(open, one, how).join('\n'));
  return inWords(`${parts.join('\n\n')}\n`, words, namesIn(train));
}

function positionText(
  open: OpenTrain,
  position: Position,
  { losses, convention, sets }: Omit<TraceOptions, 'position' | 'words'>,
): string[] {
  const { train } = open.network;
  const names = namesOf(train);
  const solved = solveEngaged(open, position.engaged, { losses });
  const lines = [`== ${position.name}: ${headline(solved, convention)}`];
  if (position.engaged.length > 0) lines.push(`Engaged: ${position.engaged.map(names.coupler).join(', ')}.`);
  lines.push(
    ...oneWayAccounts(solved, (engaged) => solveEngaged(open, engaged, { losses })).map((account) =>
      oneWayText(account, names),
    ),
  );
  if (solved.status === 'locked') return [...lines, lockText(solved, names)];
  lines.push(...workingText(workingOf(solved), names, convention, sets));
  if (solved.status === 'neutral') lines.push(...neutralText(solved, names));
  lines.push(...powerText(solved, names));
  if (solved.efficiency && losses) lines.push(`Efficiency: ${toFraction(solved.efficiency)}`);
  if (solved.selfLocking) lines.push('Friction holds it: no power comes out (self-locking).');
  for (const slip of slipPoints(open, solved))
    lines.push(
      `Slips above ${toFraction(slip.inputTorque)} N·m at the input: ` +
        `${names.coupler(slip.coupler)}; then: ${slip.then}.`,
    );
  if (solved.status === 'drive')
    lines.push(`Driven from the output: ${driveBackward(open, position.engaged, { losses }).verdict}.`);
  return lines;
}

const headline = ({ status, ratio }: Solved, convention: RatioConvention): string =>
  ratio ? `${ratioText(ratio, convention)}, ${sign(ratio) < 0 ? 'reverse' : 'same way'}` : status;

interface TraceNames extends Names {
  readonly set: (id: string) => string;
}

function namesOf(train: Train): TraceNames {
  const members = new Map(train.members.map(({ id, name }) => [id, name || id]));
  const couplers = new Map(train.couplers.map(({ id, name }) => [id, name || id]));
  return {
    member: (id) => plain(members.get(id) ?? id),
    coupler: (id) => plain(couplers.get(id) ?? id.replace('self-lock:', 'the self-locking worm of ')),
    set: (id) => plain(setName(train, id)),
  };
}

/** Names come from documents: control characters stay out of the terminal. */
const plain = (text: string): string => text.replace(/[\u0000-\u001f\u007f-\u009f]+/g, ' ');

/** What a one-way clutch does, why, and what would change it, in one line. */
function oneWayText(
  { id, how, pusher, pushed, torque, lead, changes }: OneWayAccount,
  { member, coupler }: Names,
): string {
  const [from, to] = [pusher, pushed].map((name) => (name === FRAME ? 'the frame' : member(name)));
  const does =
    how === 'holds'
      ? `torque ${torque ? toFraction(torque) : 'shared'} from ${from} to ${to}, which nothing else would carry`
      : `${lead ? toFraction(lead) : 'left open'} turns, ${to} ahead of ${from}`;
  const other = changes.map((change) => `${coupler(change.coupler)} ${change.engage ? 'on' : 'off'}`);
  return (
    `One-way clutch ${how}: ${coupler(id)}, ` +
    `${does}${other.length > 0 ? `; otherwise with ${other.join(', or ')}` : ''}.`
  );
}

function lockText(solved: Solved, names: Names): string {
  const needed = lockSet(solved);
  return needed.length > 0
    ? `It locks because of ${needed.map(names.coupler).join(' with ')}.`
    : 'The meshes alone lock it.';
}

function neutralText(solved: Solved, names: Names): string[] {
  const { follow, open, openSets } = powerStops(solved);
  const drive = engagementsThatDrive(solved);
  return [
    `With the input turn: ${follow.map(names.member).join(', ')}.`,
    ...(open.length > 0 ? [`Power stops at: ${open.map(names.coupler).join(', ')}.`] : []),
    ...(drive.length > 0
      ? [`Would drive: ${drive.map(({ engage }) => engage.map(names.coupler).join(' + ')).join(', ')}.`]
      : []),
    ...(openSets.length > 0 ? [`Nothing reacts in the set on ${openSets.map(names.member).join(', ')}.`] : []),
  ];
}

function powerText(solved: Solved, names: TraceNames): string[] {
  const flow = powerFlow(solved);
  if (!flow)
    return solved.status === 'split'
      ? ['Power: how it divides depends on how fast each output turns.']
      : ['Power: shared between parallel ways, not determined.'];
  if (flow.paths.length === 0) return [];
  const drivers = [...meshRoles(solved)].map(([id, role]) => `${id} ${role}`).join(', ');
  const part = solved.losses ? ' of the input arrives' : '';
  return [
    ...flow.paths.map((path) => `Power ${toFraction(path.share)}${part}: ${pathText(path, names)}`),
    ...flow.recirculating.map(
      (path) => `Recirculating ${toFraction(path.share)}: ${pathText(path, names)} and round again`,
    ),
    `Meshes: ${drivers}.`,
  ];
}

const pathText = ({ stops }: PowerPath, { member, coupler, set }: TraceNames): string =>
  stops
    .map(({ kind, id }) =>
      kind === 'member' ? member(id) : kind === 'joint' ? `[${coupler(id)}]` : `(${kind === 'set' ? set(id) : id})`,
    )
    .join(' > ');
