import { isAlike, MATERIALS, TRAIN_FIGURES, type Coupler, type Gear, type Train } from '../train';
import { couplerName } from '../words';
import { couplerWord, memberWord } from './names';
import { quote } from './quote';
import { withIdsInFindings } from './findings';
import { readWritten } from './read';
import { rowsOf } from './rows';
import { memberClauses, memberLines } from './write-members';
import { gearsAhead, membersAhead } from './order';
import { gearLine, rowLines } from './write-row';

/**
 * A train in writing. Read back it gives the same document but for ids and lists that are empty; a change of one count
 * changes one line.
 */
export function writeTrain(train: Train): string {
  const { setAside } = train;
  const text = bodyOf(train);
  if (setAside === undefined || setAside.length === 0) return text;
  // Findings are named by ids: by those that the parts will have when they are read.
  const read = readWritten(text).train;
  const lines = setAside.map(({ finding, note }) => {
    const named = JSON.stringify(read ? withIdsInFindings(finding, train, read) : finding);
    return `set aside ${named}${note === '' ? '' : `: ${JSON.stringify(note)}`}`;
  });
  return `${text}\n${lines.join('\n')}\n`;
}

/** Gears that follow one another on one member, and of which the same is said, stand on one line. */
function together(gears: readonly Gear[]): readonly [Gear, ...Gear[]][] {
  const lines: [Gear, ...Gear[]][] = [];
  for (const gear of gears) {
    const line = lines.at(-1);
    if (line?.[0].member === gear.member && isAlike(line[0], gear)) line.push(gear);
    else lines.push([gear]);
  }
  return lines;
}

function bodyOf(train: Train): string {
  const gears = gearsAhead(train, rowsOf(train));
  const rows = rowsOf(train, gears);
  const more = memberClauses(train, rows);
  const listed = membersAhead(train, more, gears, rows);
  const name = (id: string) => memberWord(train, id);
  const blocks: string[][] = [
    [
      `train ${quote(train.name)}`,
      `input ${name(train.input)}`,
      `output ${train.outputs.map(name).join(', ')}`,
      ...(train.efficiency === undefined ? [] : [`efficiency ${train.efficiency}`]),
    ],
    memberLines(train, listed, more),
    [...together(gears).map((some) => gearLine(train, some)), ...rowLines(train, rows, gears)],
    train.couplers.map((coupler) => couplerLine(train, coupler)),
    (train.selectors ?? []).map((selector) => sleeveLine(train, selector)),
    train.positions.map((position) => positionLine(train, position)),
    TRAIN_FIGURES.flatMap(({ key, word }) => (train[key] === undefined ? [] : [`${word} ${train[key]}`])),
    [...ofMaterials('tip speed', train.tipSpeedLimits), ...ofMaterials('elasticity', train.elasticity)],
    train.notes === undefined ? [] : train.notes.split('\n').map(noteLine),
  ];
  return `${blocks
    .filter((lines) => lines.length > 0)
    .map((lines) => lines.join('\n'))
    .join('\n\n')}\n`;
}

const ofMaterials = (what: string, values: Train['tipSpeedLimits'] = {}): string[] =>
  MATERIALS.flatMap((material) => (values[material] === undefined ? [] : [`${what} ${material} ${values[material]}`]));

function couplerLine(train: Train, coupler: Coupler): string {
  const { id, type, name, style, capacity, station, radius } = coupler;
  const called = couplerName(train, id);
  const clauses = [
    ...(called === name ? [] : [`named ${JSON.stringify(name)}`]),
    ...(coupler.type === 'one-way' && coupler.control !== undefined ? [coupler.control] : []),
    ...(style === undefined ? [] : [style]),
    ...(capacity === undefined ? [] : [`capacity ${capacity}`]),
    ...(station === undefined ? [] : [`station ${station}`]),
    ...(radius === undefined ? [] : [`radius ${radius}`]),
  ];
  return [`${type === 'sliding-mesh' ? 'slide' : type} ${quote(called)}: ${joined(train, coupler)}`, ...clauses].join(
    ', ',
  );
}

function joined(train: Train, coupler: Coupler): string {
  if (coupler.type === 'sliding-mesh') return `pair ${couplerWord(train, coupler.id)}`;
  const [a, b] = coupler.joins.map((id) => memberWord(train, id));
  if (coupler.type === 'brake' && coupler.joins[1] === 'frame') return a ?? '';
  return `${a} ${coupler.type === 'one-way' ? 'pushes' : 'with'} ${b}`;
}

function sleeveLine(train: Train, { name, spans }: NonNullable<Train['selectors']>[number]): string {
  const stretches = spans.map(({ coupler, from, to }) => `${couplerWord(train, coupler)} ${from} to ${to}`);
  return `sleeve ${quote(name)}: ${stretches.join(', ')}`.trimEnd();
}

function positionLine(train: Train, { name, engaged, ladder }: Train['positions'][number]): string {
  const what = engaged.length === 0 ? ['nothing'] : engaged.map((id) => couplerWord(train, id));
  return `position ${quote(name)}: ${[...what, ...(ladder === false ? ['not in the ladder'] : [])].join(', ')}`;
}

/** Bare where it reads back as it is. */
const noteLine = (text: string): string =>
  /^[^\s"“”„#:][^"“”„#\p{C}\p{Zl}\p{Zp}]*$/u.test(text) && text === text.trim()
    ? `note ${text}`
    : `note ${JSON.stringify(text)}`;
