import { brake, clutch, gear, member, position, teethAsk, type Pattern } from './pattern';
import { planets } from './planetary';

/**
 * Step i of the planets meets sun i; all stand on one pin, so sun and step teeth add up to the same, and the ring meets
 * step 1.
 */
const hub: Pattern = {
  key: 'hub',
  title: 'Hub with two or three suns',
  says:
    'Stepped planets, a sun at every step that can be held. Ring in and carrier out goes slow, ' +
    'carrier in and ring out fast, ring through is direct: 5 or 7 speeds.',
  asks: [
    { key: 'suns', label: 'Suns', start: 2, least: 2, most: 3 },
    teethAsk('sun', 'First sun teeth', 24),
    teethAsk('planet', 'First planet step teeth', 30),
    { key: 'less', label: 'Each further step smaller by', start: 6, least: 1, most: 1000 },
    planets,
  ],
  build: (answer) => {
    const between = answer('sun') + answer('planet');
    const steps = Array.from({ length: answer('suns') }, (_, i) => ({
      n: i + 1,
      planet: answer('planet') - i * answer('less'),
    }));
    const held = steps.map(({ n }) => `hold ${n}`);
    return {
      members: [
        member('driver'),
        member('hub'),
        member('carrier'),
        member('ring'),
        ...steps.map(({ n }) => member(`sun ${n}`)),
        member('planet', 'carrier', answer('planets')),
      ],
      gears: [
        gear('ring gear', 'ring', between + answer('planet'), 'internal'),
        ...steps.flatMap(({ n, planet }) => [
          gear(`step ${n}`, 'planet', planet),
          gear(`sun gear ${n}`, `sun ${n}`, between - planet),
        ]),
      ],
      meshes: [
        { id: 'at the ring', gears: ['step 1', 'ring gear'] },
        ...steps.map(({ n }) => ({ id: `at sun ${n}`, gears: [`sun gear ${n}`, `step ${n}`] as [string, string] })),
      ],
      couplers: [
        clutch('ring in', 'Ring in', 'driver', 'ring'),
        clutch('carrier in', 'Carrier in', 'driver', 'carrier'),
        clutch('ring out', 'Ring out', 'ring', 'hub'),
        clutch('carrier out', 'Carrier out', 'carrier', 'hub'),
        ...steps.map(({ n }) => brake(`hold ${n}`, `Hold ${n}`, `sun ${n}`)),
      ],
      // A smaller step on a larger sun changes more, slow and fast: the last sun is the slowest and the fastest.
      positions: [
        ...[...held].reverse().map((hold, i) => position(String(i + 1), 'ring in', 'carrier out', hold)),
        position(String(held.length + 1), 'ring in', 'ring out'),
        ...held.map((hold, i) => position(String(held.length + 2 + i), 'carrier in', 'ring out', hold)),
      ],
      input: 'driver',
      output: 'hub',
    };
  },
};

const twoSets: Pattern = {
  key: 'two-set',
  title: 'Two-set automatic',
  says:
    'Two sets on one sun shaft; the output carries the front planets and the rear ring. ' +
    'Two clutches and two brakes give three speeds and a reverse.',
  asks: [
    teethAsk('sun', 'Front sun teeth', 30),
    teethAsk('planet', 'Front planet teeth', 18),
    teethAsk('rearSun', 'Rear sun teeth', 30),
    teethAsk('rearPlanet', 'Rear planet teeth', 18),
    planets,
  ],
  build: (answer) => ({
    members: [
      member('input'),
      member('output'),
      member('sun shaft'),
      member('front ring'),
      member('rear carrier'),
      member('front planet', 'output', answer('planets')),
      member('rear planet', 'rear carrier', answer('planets')),
    ],
    gears: [
      gear('front sun', 'sun shaft', answer('sun')),
      gear('front planet', 'front planet', answer('planet')),
      gear('front ring', 'front ring', answer('sun') + 2 * answer('planet'), 'internal'),
      gear('rear sun', 'sun shaft', answer('rearSun')),
      gear('rear planet', 'rear planet', answer('rearPlanet')),
      gear('rear ring', 'output', answer('rearSun') + 2 * answer('rearPlanet'), 'internal'),
    ],
    meshes: [
      { id: 'front inner', gears: ['front sun', 'front planet'] },
      { id: 'front outer', gears: ['front planet', 'front ring'] },
      { id: 'rear inner', gears: ['rear sun', 'rear planet'] },
      { id: 'rear outer', gears: ['rear planet', 'rear ring'] },
    ],
    couplers: [
      clutch('ring drive', 'Ring drive', 'input', 'front ring'),
      clutch('sun drive', 'Sun drive', 'input', 'sun shaft'),
      brake('sun hold', 'Sun hold', 'sun shaft'),
      brake('carrier hold', 'Carrier hold', 'rear carrier'),
    ],
    positions: [
      position('R', 'sun drive', 'carrier hold'),
      position('N'),
      position('1', 'ring drive', 'carrier hold'),
      position('2', 'ring drive', 'sun hold'),
      position('3', 'ring drive', 'sun drive'),
    ],
    input: 'input',
    output: 'output',
  }),
};

/**
 * The carrier turns at (sun teeth · sun speed + ring teeth · ring speed) / (sun + ring teeth): it adds what comes in by
 * both.
 */
const adder: Pattern = {
  key: 'adder',
  title: 'Two paths added by a differential',
  says:
    'The input drives the sun, and by a side shaft the ring; the carrier adds both. With the ' +
    'second path released and the ring held there is one path alone.',
  asks: [
    teethAsk('sun', 'Sun teeth', 24),
    teethAsk('planet', 'Planet teeth', 18),
    planets,
    teethAsk('driver', 'Input gear teeth', 20),
    teethAsk('side', 'Side shaft gear teeth', 40),
    teethAsk('pinion', 'Side shaft pinion teeth', 24),
    teethAsk('rim', 'Teeth round the ring', 72),
  ],
  build: (answer) => ({
    members: [
      member('input'),
      member('output'),
      member('ring'),
      member('side wheel'),
      member('side shaft'),
      member('planet', 'output', answer('planets')),
    ],
    gears: [
      gear('sun gear', 'input', answer('sun')),
      gear('planet gear', 'planet', answer('planet')),
      gear('ring gear', 'ring', answer('sun') + 2 * answer('planet'), 'internal'),
      gear('input gear', 'input', answer('driver')),
      gear('side gear', 'side wheel', answer('side')),
      gear('pinion', 'side shaft', answer('pinion')),
      gear('rim', 'ring', answer('rim')),
    ],
    meshes: [
      { id: 'inner', gears: ['sun gear', 'planet gear'] },
      { id: 'outer', gears: ['planet gear', 'ring gear'] },
      { id: 'to the side', gears: ['input gear', 'side gear'] },
      { id: 'to the ring', gears: ['pinion', 'rim'] },
    ],
    couplers: [
      clutch('second path', 'Second path', 'side wheel', 'side shaft'),
      brake('ring hold', 'Ring hold', 'ring'),
    ],
    positions: [position('one path', 'ring hold'), position('both paths', 'second path')],
    input: 'input',
    output: 'output',
  }),
};

export const SET_PATTERNS: readonly Pattern[] = [hub, twoSets, adder];
