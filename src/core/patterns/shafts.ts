import {
  brake,
  clutch,
  dog,
  gear,
  member,
  position,
  teethAsk,
  type PatternQuestion,
  type PatternParts,
  type Pattern,
} from './pattern';
import { itemAt, required } from '../required';

const pair: Pattern = {
  key: 'pair',
  title: 'Gear pair',
  says: 'Two gears on two shafts.',
  asks: [teethAsk('driver', 'Driver teeth', 18), teethAsk('driven', 'Driven teeth', 54)],
  build: (answer) => ({
    members: [member('input'), member('output')],
    gears: [gear('driver', 'input', answer('driver')), gear('driven', 'output', answer('driven'))],
    meshes: [{ id: 'mesh', gears: ['driver', 'driven'] }],
    input: 'input',
    output: 'output',
  }),
};

const idler: Pattern = {
  key: 'idler',
  title: 'Pair with an idler',
  says: 'An idler between two gears: it reverses the direction, not the ratio.',
  asks: [
    teethAsk('driver', 'Driver teeth', 18),
    teethAsk('idler', 'Idler teeth', 25),
    teethAsk('driven', 'Driven teeth', 54),
  ],
  build: (answer) => ({
    members: [member('input'), member('idler'), member('output')],
    gears: [
      gear('driver', 'input', answer('driver')),
      gear('idler', 'idler', answer('idler')),
      gear('driven', 'output', answer('driven')),
    ],
    meshes: [
      { id: 'mesh 1', gears: ['driver', 'idler'] },
      { id: 'mesh 2', gears: ['idler', 'driven'] },
    ],
    input: 'input',
    output: 'output',
  }),
};

const compound: Pattern = {
  key: 'compound',
  title: 'Compound train',
  says: 'Stage after stage, each with the same two counts.',
  asks: [
    { key: 'stages', label: 'Stages', start: 3, least: 1, most: 20 },
    teethAsk('driver', 'Driver teeth', 17),
    teethAsk('driven', 'Driven teeth', 52),
  ],
  build: (answer) => {
    const shafts = Array.from({ length: answer('stages') + 1 }, (_, i) => `shaft ${i + 1}`);
    const stages = shafts.slice(1).map((to, i) => ({ n: i + 1, from: itemAt(shafts, i), to }));
    return {
      members: shafts.map((id) => member(id)),
      gears: stages.flatMap(({ n, from, to }) => [
        gear(`driver ${n}`, from, answer('driver')),
        gear(`driven ${n}`, to, answer('driven')),
      ]),
      meshes: stages.map(({ n }) => ({ id: `mesh ${n}`, gears: [`driver ${n}`, `driven ${n}`] })),
      input: itemAt(shafts, 0),
      output: itemAt(shafts, -1),
    };
  },
};

const boxAsks: readonly PatternQuestion[] = [
  { key: 'speeds', label: 'Forward speeds', start: 5, least: 2, most: 12 },
  teethAsk('sum', 'Teeth of a pair together', 54),
  { key: 'first', label: 'First ratio, in/out', start: 4.8, least: 1.1, most: 30, measure: true },
];

const countershaft: Pattern = {
  key: 'countershaft',
  title: 'Countershaft box',
  says: 'Speeds in even steps through a countershaft, the highest direct, and a reverse through an idler.',
  asks: boxAsks,
  build: (answer) => countershaftBox(answer('speeds'), answer('sum'), answer('first')),
};

const rangeBox: Pattern = {
  key: 'range',
  title: 'Range box behind a box',
  says:
    'A countershaft box, and behind it a planetary set that is either locked or ' +
    'goes slow with its ring held: every speed twice.',
  asks: [
    { ...itemAt(boxAsks, 0), start: 4 },
    ...boxAsks.slice(1).map((ask) => (ask.key === 'first' ? { ...ask, start: 2.6 } : ask)),
    teethAsk('sun', 'Range sun teeth', 24),
    teethAsk('planet', 'Range planet teeth', 18),
  ],
  build: (answer) => {
    const box = countershaftBox(answer('speeds'), answer('sum'), answer('first'), 'main shaft');
    const range = { low: 'range low', high: 'range high' };
    const [sun, planet] = [answer('sun'), answer('planet')];
    const forward = required(box.positions).filter(({ name }) => name !== 'R' && name !== 'N');
    const named = (prefix: string, name: string, engaged: readonly string[]) =>
      position(`${prefix}${name}`, ...engaged);
    return {
      ...box,
      members: [...box.members, member('output'), member('range ring'), member('range planet', 'output', 3)],
      gears: [
        ...box.gears,
        gear('range sun', 'main shaft', sun),
        gear('range planet', 'range planet', planet),
        gear('range ring', 'range ring', sun + 2 * planet, 'internal'),
      ],
      meshes: [
        ...box.meshes,
        { id: 'range inner', gears: ['range sun', 'range planet'] },
        { id: 'range outer', gears: ['range planet', 'range ring'] },
      ],
      couplers: [
        ...required(box.couplers),
        brake(range.low, 'Low', 'range ring'),
        clutch(range.high, 'High', 'main shaft', 'output'),
      ],
      positions: [
        ...required(box.positions)
          .filter(({ name }) => name === 'R')
          .map(({ name, engaged }) => named('', name, [...engaged, range.low])),
        named('', 'N', []),
        ...forward.map(({ name, engaged }) => named('L', name, [...engaged, range.low])),
        ...forward.map(({ name, engaged }) => named('H', name, [...engaged, range.high])),
      ],
      output: 'output',
    };
  },
};

const nothing: Pattern = {
  key: 'nothing',
  title: 'Nothing yet',
  called: 'Unnamed train',
  says: 'An input and an output shaft without a gear, to be built on the bench part by part.',
  asks: [],
  build: () => ({
    members: [member('input'), member('output')],
    gears: [],
    meshes: [],
    input: 'input',
    output: 'output',
  }),
};

/** Driver and driven teeth that add up to a sum and come nearest to a ratio, neither below 4. */
function share(sum: number, ratio: number): [number, number] {
  const driver = Math.min(sum - 4, Math.max(4, Math.round(sum / (1 + ratio))));
  return [driver, sum - driver];
}

/**
 * The constant pair takes the square root of the first ratio, so that first has two like pairs; the others follow in a
 * geometric row.
 */
function countershaftBox(speeds: number, sum: number, first: number, output = 'output'): PatternParts {
  const [a, b] = share(sum, Math.sqrt(first));
  const step = first ** (1 / (speeds - 1));
  const indirect = Array.from({ length: speeds - 1 }, (_, i) => ({
    n: i + 1,
    teeth: share(sum, (first / step ** i) * (a / b)),
  }));
  const reverse = Math.max(4, Math.round(sum / 4));
  return {
    members: [
      member('input'),
      member('countershaft'),
      member(output),
      ...indirect.map(({ n }) => member(`wheel ${n}`)),
      member('reverse wheel'),
      member('reverse idler'),
    ],
    gears: [
      gear('constant driver', 'input', a),
      gear('constant driven', 'countershaft', b),
      ...indirect.flatMap(({ n, teeth: [driver, driven] }) => [
        gear(`driver ${n}`, 'countershaft', driver),
        gear(`driven ${n}`, `wheel ${n}`, driven),
      ]),
      gear('reverse driver', 'countershaft', reverse),
      gear('idler', 'reverse idler', reverse + 2),
      gear('reverse driven', 'reverse wheel', 2 * reverse),
    ],
    meshes: [
      { id: 'constant', gears: ['constant driver', 'constant driven'] },
      ...indirect.map(({ n }): PatternParts['meshes'][number] => ({
        id: `pair ${n}`,
        gears: [`driver ${n}`, `driven ${n}`],
      })),
      { id: 'reverse 1', gears: ['reverse driver', 'idler'] },
      { id: 'reverse 2', gears: ['idler', 'reverse driven'] },
    ],
    couplers: [
      ...indirect.map(({ n }) => dog(`dog ${n}`, `${n}`, `wheel ${n}`, output)),
      dog('direct', 'Direct', 'input', output),
      dog('reverse', 'R', 'reverse wheel', output),
    ],
    positions: [
      position('R', 'reverse'),
      position('N'),
      ...indirect.map(({ n }) => position(`${n}`, `dog ${n}`)),
      position(`${speeds}`, 'direct'),
    ],
    input: 'input',
    output,
  };
}

const worm: Pattern = {
  key: 'worm',
  title: 'Worm drive',
  says: 'A worm and its wheel; with one start it usually cannot be back-driven.',
  asks: [
    { key: 'starts', label: 'Starts of the worm', start: 1, least: 1, most: 8 },
    teethAsk('wheel', 'Wheel teeth', 30),
  ],
  build: (answer) => ({
    members: [member('worm shaft'), member('wheel shaft')],
    gears: [gear('worm', 'worm shaft', answer('starts'), 'worm'), gear('wheel', 'wheel shaft', answer('wheel'))],
    meshes: [{ id: 'worm mesh', gears: ['worm', 'wheel'], sense: 'same', selfLocking: answer('starts') === 1 }],
    input: 'worm shaft',
    output: 'wheel shaft',
  }),
};

export const SHAFT_PATTERNS: readonly Pattern[] = [nothing, pair, idler, compound, worm, countershaft, rangeBox];
