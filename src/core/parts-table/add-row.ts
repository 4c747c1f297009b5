import { modelOf } from '../model';
import type { Train } from '../train';
import { quotedName, readWritten, writeTrain } from '../written-form';
import type { Cells, Section } from './columns';
import { memberCalled } from './edit-cell';
import { namedIn } from './named-in';

/** What a row that was filled in comes to: the train with it, what it still lacks, or what is wrong with it. */
export type NewRow =
  | { readonly kind: 'whole'; readonly train: Train }
  | { readonly kind: 'lacks'; readonly what: readonly string[] }
  | { readonly kind: 'wrong'; readonly message: string };

/** Adds the part that a row says, once the row is whole. */
export function addRow(train: Train, section: Section, cells: Cells): NewRow {
  if (section === 'wheels')
    return { kind: 'wrong', message: 'A wheel comes with its set or pair; here it gets its sizes.' };
  const said = Object.fromEntries(Object.entries(cells).map(([column, text]) => [column, text.trim()])) as Cells;
  const what = lackOf(section, said);
  if (what.length > 0) return { kind: 'lacks', what };
  const statement = STATEMENTS[section](said, train);
  const text = modelOf(train).derive(writeTrain);
  const { train: made, problems } = readWritten(`${text}${statement}\n`, train);
  if (made) return { kind: 'whole', train: made };
  const own = problems.find(({ place }) => place.from >= text.length) ?? problems[0];
  return { kind: 'wrong', message: own?.message ?? '' };
}

/** What a row still needs before it is a part. */
function lackOf(section: Exclude<Section, 'wheels'>, cells: Cells): string[] {
  const need = (column: keyof Cells, what: string) => (cells[column] ? [] : [what]);
  switch (section) {
    case 'sets':
      return [
        ...(cells.sun || cells.ring ? [] : ['the count of its sun or ring']),
        ...(cells.sun ? need('sunOn', 'the sun’s member') : []),
        ...(cells.ring ? need('ringOn', 'the ring’s member') : []),
        ...(cells.planet || (cells.sun && cells.ring) ? [] : ['the planets’ count']),
        ...need('carrier', 'its carrier'),
      ];
    case 'pairs':
      return [
        ...need('driver', 'the driver’s count'),
        ...need('driverOn', 'the driver’s member'),
        ...need('mate', 'the mate’s count'),
        ...need('mateOn', 'the mate’s member'),
      ];
    case 'couplers':
      return [
        ...need('name', 'a name'),
        ...need('a', 'what it joins'),
        ...(cells.kind === 'brake' || !cells.kind ? [] : need('b', 'the second member')),
      ];
    case 'members':
    case 'positions':
      return need('name', 'a name');
  }
}

const STATEMENTS: Readonly<Record<Exclude<Section, 'wheels'>, (cells: Cells, train: Train) => string>> = {
  sets: ({ kind = '', sun, sunOn, planet = '', planetOn = '', copies = '', ring, ringOn, carrier = '' }) => {
    const names = planetOn.split('+').map((name) => name.trim());
    const many = copies === '' ? '' : ` x${copies.replace(/^[x×]\s*/i, '')}`;
    const type = kind === 'bevel' ? ' bevel' : '';
    const planets = planet.split('+').map((count, i) => {
      const name = names[i] ?? '';
      return `planet ${count.trim()}${type}${name === '' ? '' : ` on ${word(name)}`}${many}`;
    });
    return `set: ${[
      ...(sun ? [`sun ${sun}${type} on ${word(sunOn)}`] : []),
      ...planets,
      ...(ring
        ? [kind === 'bevel' ? `sun ${ring} bevel on ${word(ringOn)} (same way)` : `ring ${ring} on ${word(ringOn)}`]
        : []),
      `carrier on ${word(carrier)}`,
    ].join(', ')}`;
  },
  pairs: ({ driver, driverOn, mate, mateOn, kind = '', sense = '' }, train) => {
    const head = ['bevel', 'worm', 'chain', 'belt'].includes(kind) ? kind : 'pair';
    const end = `${kind === 'inside' ? 'ring ' : ''}${mate} on ${word(mateOn)}`;
    return `${head}: ${sameIdler(train, driver, driverOn)} drives ${end}${sense === '' ? '' : `, ${sense}`}`;
  },
  couplers: ({ name = '', kind = '', a = '', b = '', style = '' }, train) => {
    const type = kind || (b === '' || b.toLowerCase() === 'frame' ? 'brake' : 'clutch');
    const rest = style === '' ? '' : `, ${style}`;
    if (type === 'slide') return `slide ${word(name)}: pair ${word(a)}${rest}`;
    const joined = type === 'brake' ? [a] : [a, b];
    // A shaft that only couplers join has no other row to come into being by.
    const made = joined.filter((one) => memberCalled(train, one) === null).map((one) => `member ${word(one)}\n`);
    const joins = joined.map(word).join(type === 'one-way' ? ' pushes ' : ' with ');
    return `${made.join('')}${type} ${word(name)}: ${joins}${rest}`;
  },
  members: ({ name = '', role = '', limit = '', color = '' }) => {
    const clauses = [
      ...(limit === '' ? [] : [`limit ${limit}`]),
      ...(color === '' ? [] : [`colour ${color.replace('#', '')}`]),
    ];
    const member = `member ${[word(name), ...clauses].join(', ')}`;
    return role === 'output' ? `${member}\noutput ${word(name)}` : member;
  },
  positions: ({ name = '', engaged = '' }, { couplers }) => {
    const names = namedIn(
      engaged,
      couplers.map((coupler) => coupler.name),
    ).map(word);
    return `position ${word(name)}: ${names.join(', ') || 'nothing'}`;
  },
};

/** A name as it stands in a statement; the frame is no name. */
function word(name = ''): string {
  const own = name.trim();
  return own.toLowerCase() === 'frame' ? 'frame' : quotedName(own);
}

/**
 * The driver of a pair: the gear that is there, where it is the only one on its member and has this count, as an idler
 * does; else another.
 */
function sameIdler(train: Train, count = '', on = ''): string {
  const member = memberCalled(train, on.trim());
  const there = train.gears.filter((gear) => gear.member === member);
  const [only] = there;
  const isIdler =
    there.length === 1 && `${only?.teeth}` === count && train.meshes.some(({ gears: [, mate] }) => mate === only?.id);
  return isIdler ? `same on ${word(on)}` : `${count} on ${word(on)}`;
}
