/** What a verb does, how it is called, and what its options mean: all that `--help` says. */
export interface Verb {
  readonly usage: string;
  readonly does: string;
  readonly options: readonly (readonly [option: string, means: string])[];
  readonly example: string;
}

const TRAIN: Verb['options'][number] = [
  'FILE',
  'a train (*.train.json, or in writing: *.train.txt); - reads it from standard input',
];
const POSITION: Verb['options'][number] = ['--position ID', 'this position alone'];
const SPEED: Verb['options'][number] = ['--speed 1200rpm', 'input speed: rpm, rad/s, turns/s, turns/h or turns/day'];
const TORQUE: Verb['options'][number] = ['--torque 3.5Nm', 'input torque: Nm, Ncm, mNm, kgf.cm, lbf.ft or lbf.in'];
const LOSSES: Verb['options'][number] = ['--losses', 'with the efficiency of each mesh; else every mesh is ideal'];
const CONVENTION: Verb['options'][number] = ['--convention in/out|out/in', 'how ratios are given'];
const WORDS: Verb['options'][number] = ['--words annulus,freewheel', 'what parts are called, by the words of a school'];
const OUTPUT: Verb['options'][number] = ['-o FILE', 'the file that is written'];

/** Every verb, in the order in which a train is worked on. */
export const VERBS: Readonly<Record<string, Verb>> = {
  solve: {
    usage:
      'solve FILE [--position ID] [--speed 1200rpm] [--torque 3.5Nm] [--losses] [--reverse-flow] [--load ID=0.2Nm]…',
    does: 'Prints status, ratio, speeds and torques of every position as JSON, exact fractions as text.',
    options: [
      TRAIN,
      POSITION,
      SPEED,
      TORQUE,
      LOSSES,
      ['--reverse-flow', 'the outputs drive the input'],
      ['--load ID=0.2Nm', 'torque of the load on an output, against its motion; repeat it for several outputs'],
    ],
    example: 'solve box.train.json --speed 1200rpm --torque 3.5Nm',
  },
  combinations: {
    usage: 'combinations FILE',
    does:
      'Lists every set of engaged clutches, brakes and sliding meshes with ' +
      'its status, mobility and ratio, as JSON.',
    options: [TRAIN],
    example: 'combinations box.train.json',
  },
  trace: {
    usage:
      'trace FILE [--position ID] [--losses] [--convention in/out|out/in] [--sets formula|table] [--words annulus]',
    does: 'Prints the working and the power path of every position, as text.',
    options: [
      TRAIN,
      POSITION,
      LOSSES,
      CONVENTION,
      ['--sets formula|table', 'how planetary sets are worked out'],
      WORDS,
    ],
    example: 'trace box.train.json --position 2',
  },
  chart: {
    usage: 'chart FILE',
    does: 'Prints the shift chart: ratios, steps, spread and duplicates, as JSON.',
    options: [TRAIN],
    example: 'chart box.train.json',
  },
  shifts: {
    usage: 'shifts FILE [--from ID --to ID]',
    does: 'Prints what lies between neighbouring positions, or between two that are named, as JSON.',
    options: [TRAIN, ['--from ID', 'the position that is left'], ['--to ID', 'the position that is reached']],
    example: 'shifts box.train.json --from 3 --to 4',
  },
  influence: {
    usage: 'influence FILE',
    does: 'Prints by how many per cent each ratio changes for one per cent more teeth on each gear, as JSON.',
    options: [TRAIN],
    example: 'influence box.train.json',
  },
  find: {
    usage: 'find SEARCH',
    does: 'Searches tooth counts for wanted ratios and prints the best, as JSON.',
    options: [['SEARCH', 'a search (*.search.json); - reads it from standard input']],
    example: 'find wanted.search.json',
  },
  schemes: {
    usage: 'schemes SEARCH',
    does: 'Searches all ways to connect sets for those that give wanted ratios and prints the best, as JSON.',
    options: [['SEARCH', 'what is asked (*.schemes.json); - reads it from standard input']],
    example: 'schemes wanted.schemes.json',
  },
  points: {
    usage: 'points FILE --scenario SCENARIO',
    does: 'Prints operating points and shift points of a motor and its load, as JSON.',
    options: [TRAIN, ['--scenario SCENARIO', 'motor, load and shift rule (*.scenario.json)']],
    example: 'points box.train.json --scenario hill.scenario.json',
  },
  run: {
    usage: 'run FILE --scenario SCENARIO [--csv]',
    does: 'Runs the automatic shifter through time and prints what happened, as JSON.',
    options: [
      TRAIN,
      ['--scenario SCENARIO', 'motor, load and shift rule (*.scenario.json)'],
      ['--csv', 'the samples as CSV'],
    ],
    example: 'run box.train.json --scenario hill.scenario.json',
  },
  travel: {
    usage: 'travel FILE [--at SELECTOR=MM]…',
    does: 'Prints what each selector gives along its travel, and which places of two selectors lock, as JSON.',
    options: [TRAIN, ['--at SELECTOR=MM', 'where another selector stands meanwhile; repeat it for several']],
    example: 'travel box.train.json',
  },
  measure: {
    usage: 'measure FILE --log LOG',
    does: 'Compares the readings of a log with computed values, as JSON.',
    options: [TRAIN, ['--log LOG', 'the readings (*.log.json)']],
    example: 'measure box.train.json --log bench.log.json',
  },
  diagnose: {
    usage: 'diagnose FILE --seen SEEN',
    does: 'Prints which faults would explain what was seen, and the next test that tells most, as JSON.',
    options: [TRAIN, ['--seen SEEN', 'what was seen of a train (*.seen.json)']],
    example: 'diagnose box.train.json --seen bench.seen.json',
  },
  practice: {
    usage: 'practice FILE [--seed N] [--count N] [--skill NAME]',
    does: 'Prints questions about a train with answers, mistakes and working, as JSON.',
    options: [
      TRAIN,
      ['--seed N', 'the same seed gives the same questions'],
      ['--count N', 'how many'],
      ['--skill NAME', 'of this skill alone'],
    ],
    example: 'practice box.train.json --seed 7',
  },
  parts: {
    usage: 'parts FILE [--speed 1200rpm] [--torque 3.5Nm] [--csv | --markdown]',
    does: 'Prints the parts list with sizes and what each gear has to bear, as JSON.',
    options: [TRAIN, SPEED, TORQUE, ['--csv', 'as CSV'], ['--markdown', 'as a Markdown table']],
    example: 'parts box.train.json --csv',
  },
  geometry: {
    usage: 'geometry FILE',
    does: 'Prints how the wheels are cut and run: centres, working angles, contact, clearance, backlash, as JSON.',
    options: [TRAIN],
    example: 'geometry box.train.json',
  },
  forces: {
    usage: 'forces FILE [--torque 10Nm] [--speed 1200rpm] [--position ID] [--losses] [--reverse-flow]',
    does: 'Prints the forces on teeth, pins and bearings, and which wheel is used hardest, as JSON; 1 N·m unless given.',
    options: [
      TRAIN,
      [TORQUE[0], `${TORQUE[1]}; below 0 the load pushes and the input holds it back`],
      SPEED,
      POSITION,
      LOSSES,
      ['--reverse-flow', 'the outputs drive the input: torque and speed are those of the first output'],
    ],
    example: 'forces box.train.json --torque 10Nm',
  },
  body: {
    usage: 'body FILE [--position ID] --format glb|stl -o FILE',
    does: 'Writes the train in three dimensions, and prints what it is as JSON.',
    options: [
      TRAIN,
      ['--position ID', 'what is engaged, and turns in the file; without it nothing is'],
      ['--format glb|stl', 'glTF binary with one turn of the input, or a zip of a solid for each member in its place'],
      OUTPUT,
    ],
    example: 'body box.train.json --position 2 --format glb -o box.glb',
  },
  gear: {
    usage:
      'gear --teeth N --module MM [--internal] [--shift X] [--backlash MM] [--width MM] [--helix DEG ' +
      '[--herringbone]] [--bore MM [--key WIDTHxDEPTH] | --square MM] [--hub OUTSIDExLENGTH] [--holes ' +
      'N] [--rim MM] [--tolerance MM] --format svg|dxf|stl -o FILE',
    does: 'Writes one gear true to size as a drawing or a solid.',
    options: [
      ['--teeth N', 'tooth count'],
      ['--module MM', 'module'],
      ['--internal', 'teeth on the inside'],
      ['--shift X', 'profile shift in modules; may be negative'],
      ['--backlash MM', 'by which the teeth are thinner at the pitch circle'],
      ['--width MM', 'face width'],
      ['--helix DEG', 'helix angle, right-hand positive'],
      ['--herringbone', 'two helices against each other'],
      ['--bore MM', 'hole for the shaft; --square for a square one'],
      ['--key WIDTHxDEPTH', 'keyway in the bore'],
      ['--hub OUTSIDExLENGTH', 'hub'],
      ['--holes N', 'lightening holes'],
      ['--rim MM', 'rim of an internal gear'],
      ['--tolerance MM', 'how far chords may leave the curve'],
      ['--format svg|dxf|stl', 'kind of file'],
      OUTPUT,
    ],
    example: 'gear --teeth 24 --module 2 --shift -0.2 --format stl -o wheel.stl',
  },
  sheet: {
    usage:
      'sheet FILE [--format html|markdown] [--speed 1200rpm] [--torque 3.5Nm] ' +
      '[--convention in/out|out/in] [--words annulus]',
    does: 'Prints the sheet for the workshop.',
    options: [TRAIN, ['--format html|markdown', 'a page with drawings, or Markdown'], SPEED, TORQUE, CONVENTION, WORDS],
    example: 'sheet box.train.json > box.html',
  },
  check: {
    usage: 'check FILE',
    does: 'Says whether a file is a sound train, or what is wrong with it and where.',
    options: [TRAIN],
    example: 'check box.train.json',
  },
  write: {
    usage: 'write FILE',
    does: 'Prints a train in writing: one statement a line, the same text for the same train.',
    options: [TRAIN],
    example: 'write box.train.json > box.train.txt',
  },
  read: {
    usage: 'read FILE',
    does: 'Prints the document of a train in writing, or what is wrong with it by line and column.',
    options: [TRAIN],
    example: 'read box.train.txt > box.train.json',
  },
  bundle: {
    usage: 'bundle ID… | --everything -o FILE.zip',
    does: 'Writes trains of the shelf with all that belongs to them as one zip.',
    options: [['ID…', 'trains by their ids'], ['--everything', 'the whole shelf'], OUTPUT],
    example: 'bundle --everything -o all.zip',
  },
  unbundle: {
    usage: 'unbundle FILE.zip [--existing skip|both|replace] [--dry-run]',
    does: 'Puts the trains of a bundle on the shelf.',
    options: [
      ['FILE.zip', 'a bundle'],
      ['--existing skip|both|replace', 'what happens to trains that are on the shelf already'],
      ['--dry-run', 'says what it would do'],
    ],
    example: 'unbundle all.zip --existing both',
  },
  backup: {
    usage: 'backup DEST.sqlite',
    does: 'Writes a whole copy of the database, also while a server runs.',
    options: [['DEST.sqlite', 'the file that is written']],
    example: 'backup shelf.sqlite',
  },
  restore: {
    usage: 'restore SOURCE.sqlite',
    does: 'Puts a copy of the database in place; what was there is kept beside it.',
    options: [['SOURCE.sqlite', 'a copy that backup wrote']],
    example: 'restore shelf.sqlite',
  },
};

/** All verbs, a line each. */
export const programHelp = (): string =>
  `${Object.values(VERBS)
    .map(({ usage }, i) => `${i === 0 ? 'usage: ' : '       '}tinwheel ${usage}`)
    .join('\n')}

tinwheel VERB --help says what a verb does and what its options mean; tinwheel --version says which this is.
A - in place of a file reads standard input.
`;

/** What one verb does, its options, one example. */
export function verbHelp({ usage, does, options, example }: Verb): string {
  const width = Math.max(...options.map(([option]) => option.length));
  return `usage: tinwheel ${usage}

${does}

${options.map(([option, means]) => `  ${option.padEnd(width)}  ${means}`).join('\n')}

Example: tinwheel ${example}
`;
}
