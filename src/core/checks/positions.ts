import { type OpenTrain } from '../kinematics';
import { abs, equals, isZero, toNumber } from '../rational';
import { lockSet, slipPoints, solveEngaged, type Solved } from '../solve';
import { deletePosition, engageInPosition, toggleOutput, type Gear, type Position, type Train } from '../train';
import { figure } from '../units';
import { couplerName, gearName, memberName } from '../words';
import { finding, type Finding } from './finding';
import { tipSpeed, USUAL_TIP_SPEEDS } from './speeds';
import { modelOf } from '../model';
import { required } from '../required';

/** What the train is used with; what is not given is not checked. */
export interface Use {
  /** Turns of the input a second. */
  readonly inputSpeed?: number | null;
  /** Torque put in, N·m. */
  readonly inputTorque?: number | null;
}

interface Case {
  readonly position: Position;
  readonly solved: Solved;
}

/** Checks of what the positions do: locked, duplicate and floating ones, couplers that slip, tips that run too fast. */
export function positionFindings(train: Train, use: Use): Finding[] {
  const { open, solvedIn } = modelOf(train);
  const cases = train.positions.map((position) => ({ position, solved: solvedIn(position.id) }));
  return [
    ...cases.flatMap((one, i) => [
      ...duplicate(train, one.position, train.positions.slice(0, i)),
      ...sameRatio(one, cases.slice(0, i)),
      ...locked(train, one),
    ]),
    ...floatingOutputs(train, open, cases),
    ...(use.inputTorque ? slipping(train, open, cases, use.inputTorque) : []),
    ...(use.inputSpeed ? fastTips(train, cases, use.inputSpeed) : []),
  ];
}

const sorted = ({ engaged }: Position): string => [...engaged].sort().join('\n');

function duplicate(train: Train, position: Position, before: readonly Position[]): Finding[] {
  const twin = before.find((other) => sorted(other) === sorted(position));
  if (!twin) return [];
  return [
    finding(
      'duplicate',
      'note',
      {
        what: `Positions ${twin.name} and ${position.name} engage the same.`,
        why: 'They are one position under two names.',
        mend: 'Delete one of them, or change what it engages.',
        mends: [{ label: `Delete ${position.name}`, apply: (now) => deletePosition(now, position.id) }],
      },
      { positions: [position.id] },
    ),
  ];
}

/** A rung of the ladder that is there already, made by other couplers. */
function sameRatio({ position, solved }: Case, before: readonly Case[]): Finding[] {
  const isRung = (one: Case) => one.position.ladder !== false && one.solved.ratio !== null;
  if (!isRung({ position, solved })) return [];
  const twin = before.find(
    (other) =>
      isRung(other) &&
      sorted(other.position) !== sorted(position) &&
      equals(required(other.solved.ratio), required(solved.ratio)),
  );
  if (!twin) return [];
  return [
    finding(
      'same ratio',
      'note',
      {
        what: `Positions ${twin.position.name} and ${position.name} have the same ratio.`,
        why: 'They engage different couplers, and the output turns alike: one of them may be wired or drawn wrongly.',
        mend: `Look at what ${position.name} engages, or mark it as no step of the ladder.`,
        mends: [],
      },
      { positions: [position.id] },
    ),
  ];
}

function locked(train: Train, { position, solved }: Case): Finding[] {
  if (solved.status !== 'locked') return [];
  const fighting = lockSet(solved);
  const names = fighting.map((id) => couplerName(train, id));
  return [
    finding(
      'locked',
      'wrong',
      {
        what: `Position ${position.name} locks the input.`,
        why:
          names.length > 0
            ? `Nothing can turn with ${names.join(', ')} engaged.`
            : 'The meshes alone leave nothing that can turn.',
        mend: 'Release one of them in this position.',
        mends: fighting
          .filter((id) => position.engaged.includes(id))
          .map((id) => ({
            label: `Release ${couplerName(train, id)}`,
            apply: (now) =>
              engageInPosition(
                now,
                position.id,
                position.engaged.filter((other) => other !== id),
              ),
          })),
      },
      { positions: [position.id] },
    ),
  ];
}

/** Outputs that nothing ever drives, and positions that engage something in vain. */
function floatingOutputs(train: Train, open: OpenTrain, cases: readonly Case[]): Finding[] {
  const solved = cases.length > 0 ? cases.map((one) => one.solved) : [solveEngaged(open, [])];
  const driven = (output: string) => {
    const member = open.network.memberIds.indexOf(output);
    return solved.some(
      ({ status, state }) => status === 'split' || (status === 'drive' && state.speeds.of(member) !== null),
    );
  };
  const never = train.outputs.filter((output) => !driven(output));
  const idle = cases.filter(
    ({ position, solved: { status } }) =>
      status === 'neutral' && position.engaged.length > 0 && cases.some((other) => other.solved.status !== 'neutral'),
  );
  return [
    ...never.map((output) =>
      finding(
        'floating output',
        'wrong',
        {
          what: `${cases.length > 0 ? 'No position' : 'Nothing'} drives the output “${memberName(train, output)}”.`,
          why: 'It floats: turned or not, it passes no power on.',
          mend: 'Connect it, engage what leads to it in a position, or unmark it as output.',
          mends:
            train.outputs.length > 1
              ? [{ label: `No output: ${memberName(train, output)}`, apply: (now) => toggleOutput(now, output) }]
              : [],
        },
        { members: [output] },
      ),
    ),
    ...idle.map(({ position }) =>
      finding(
        'floating output',
        'note',
        {
          what:
            `Position ${position.name} engages ` +
            `${position.engaged.map((id) => couplerName(train, id)).join(', ')}, and still ` +
            'nothing is driven.',
          why: 'The output floats although something is engaged; the trace says where power stops.',
          mend: 'Engage what is missing, or let the position engage nothing and call it neutral.',
        },
        { positions: [position.id] },
      ),
    ),
  ];
}

/** Couplers whose capacity the torque put in exceeds, each in the position where it slips first. */
function slipping(train: Train, open: OpenTrain, cases: readonly Case[], torque: number): Finding[] {
  const slips = cases
    .flatMap(({ position, solved }) =>
      slipPoints(open, solved).map((point) => ({ position, ...point, at: toNumber(point.inputTorque) })),
    )
    .filter(({ at }) => at < torque);
  return [...new Set(slips.map(({ coupler }) => coupler))].map((id) => {
    const [worst, ...others] = slips.filter(({ coupler }) => coupler === id).sort((a, b) => a.at - b.at);
    return finding(
      'capacity',
      'wrong',
      {
        what:
          'Slipping in position ' +
          `${[required(worst), ...others].map(({ position }) => position.name).join(', ')}: ` +
          `${couplerName(train, id)}.`,
        why:
          `In position ${required(worst).position.name} it slips above ${figure(required(worst).at)} N·m at the input; ` +
          `the input is ${figure(torque)} N·m. Slipping, the train is ${required(worst).then}.`,
        mend: 'Reduce the input torque, or give it more capacity.',
      },
      { couplers: [id], positions: [required(worst).position.id] },
    );
  });
}

/** Gears of a known module and material whose tips run faster than the material's limit, at their fastest position. */
function fastTips(train: Train, cases: readonly Case[], turnsPerSecond: number): Finding[] {
  return train.gears.flatMap((gear: Gear): Finding[] => {
    const { id, member, teeth, module, material } = gear;
    if (module === undefined || material === undefined) return [];
    const limit = train.tipSpeedLimits?.[material] ?? USUAL_TIP_SPEEDS[material];
    const runs = cases.flatMap(({ position, solved: { state, network } }) => {
      const speed = state.speeds.of(network.memberIds.indexOf(member));
      return speed && !isZero(speed)
        ? [{ position, speed: tipSpeed(teeth, module, toNumber(abs(speed)) * turnsPerSecond) }]
        : [];
    });
    const fastest = runs.reduce<(typeof runs)[0] | null>(
      (most, one) => (most && most.speed >= one.speed ? most : one),
      null,
    );
    if (!fastest || fastest.speed <= limit) return [];
    return [
      finding(
        'tip speed',
        'wrong',
        {
          what:
            `The tips of gear ${gearName(train, gear)} run at ` +
            `${figure(fastest.speed)} m/s in position ${fastest.position.name}.`,
          why:
            `The limit set for this material (${material}) is ${figure(limit)} m/s: a ` +
            'fast gear can burst. Shield it and protect your eyes.',
          mend:
            'Turn the input slower, take a smaller gear or another material, ' +
            'or set another limit for the material.',
        },
        { gears: [id], positions: [fastest.position.id] },
      ),
    ];
  });
}
