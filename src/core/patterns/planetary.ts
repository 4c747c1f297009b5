import { brake, clutch, gear, member, position, teethAsk, type PatternQuestion, type Pattern } from './pattern';

export const planets: PatternQuestion = { key: 'planets', label: 'Planets', start: 3, least: 1, most: 12 };

const simple: Pattern = {
  key: 'planetary',
  title: 'Planetary set',
  says:
    'Sun in, carrier out; the ring held, or sun and carrier locked ' +
    'together. The ring follows from sun and planets.',
  asks: [teethAsk('sun', 'Sun teeth', 24), teethAsk('planet', 'Planet teeth', 18), planets],
  build: (answer) => ({
    members: [member('sun'), member('carrier'), member('ring'), member('planet', 'carrier', answer('planets'))],
    gears: [
      gear('sun gear', 'sun', answer('sun')),
      gear('planet gear', 'planet', answer('planet')),
      gear('ring gear', 'ring', answer('sun') + 2 * answer('planet'), 'internal'),
    ],
    meshes: [
      { id: 'inner', gears: ['sun gear', 'planet gear'] },
      { id: 'outer', gears: ['planet gear', 'ring gear'] },
    ],
    couplers: [brake('hold', 'Hold', 'ring'), clutch('lock', 'Lock', 'sun', 'carrier')],
    positions: [position('low', 'hold'), position('direct', 'lock')],
    input: 'sun',
    output: 'carrier',
  }),
};

const stepped: Pattern = {
  key: 'stepped',
  title: 'Stepped planetary',
  says: 'Each planet has two gears: one meets the sun, the other the ring. Carrier in, sun out, ring held.',
  asks: [
    teethAsk('sun', 'Sun teeth', 18),
    teethAsk('big', 'Planet teeth at the sun', 36),
    teethAsk('small', 'Planet teeth at the ring', 18),
    teethAsk('ring', 'Ring teeth', 90),
    planets,
  ],
  build: (answer) => ({
    members: [member('carrier'), member('sun'), member('ring'), member('planet', 'carrier', answer('planets'))],
    gears: [
      gear('sun gear', 'sun', answer('sun')),
      gear('big', 'planet', answer('big')),
      gear('small', 'planet', answer('small')),
      gear('ring gear', 'ring', answer('ring'), 'internal'),
    ],
    meshes: [
      { id: 'at the sun', gears: ['sun gear', 'big'] },
      { id: 'at the ring', gears: ['small', 'ring gear'] },
    ],
    couplers: [brake('hold', 'Hold', 'ring')],
    positions: [position('on', 'hold'), position('free')],
    input: 'carrier',
    output: 'sun',
  }),
};

const doublePinion: Pattern = {
  key: 'double-pinion',
  title: 'Double-pinion set',
  says: 'Two planets between sun and ring, so that with the carrier held sun and ring turn the same way.',
  asks: [
    teethAsk('sun', 'Sun teeth', 30),
    teethAsk('inner', 'Inner planet teeth', 18),
    teethAsk('outer', 'Outer planet teeth', 20),
    teethAsk('ring', 'Ring teeth', 78),
    planets,
  ],
  build: (answer) => ({
    members: [
      member('sun'),
      member('carrier'),
      member('ring'),
      member('inner planet', 'carrier', answer('planets')),
      member('outer planet', 'carrier', answer('planets')),
    ],
    gears: [
      gear('sun gear', 'sun', answer('sun')),
      gear('inner', 'inner planet', answer('inner')),
      gear('outer', 'outer planet', answer('outer')),
      gear('ring gear', 'ring', answer('ring'), 'internal'),
    ],
    meshes: [
      { id: 'at the sun', gears: ['sun gear', 'inner'] },
      { id: 'between', gears: ['inner', 'outer'] },
      { id: 'at the ring', gears: ['outer', 'ring gear'] },
    ],
    couplers: [brake('hold', 'Hold', 'carrier'), clutch('lock', 'Lock', 'sun', 'carrier')],
    positions: [position('low', 'hold'), position('direct', 'lock')],
    input: 'sun',
    output: 'ring',
  }),
};

export const PLANETARY_PATTERNS: readonly Pattern[] = [simple, stepped, doublePinion];
