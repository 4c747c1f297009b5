import { CAUTIONS } from '../cautions';
import { checkDesign } from '../checks';
import { endView, type Station } from '../end-view';
import { rankWheels } from '../forces';
import { chartOf, type ChartRow } from '../gear-chart';
import { countedIn, judgeFor, type Log } from '../measurement';
import { gearSizes, partsOf, partsTable } from '../parts';
import { memberFigures, type MemberRole } from '../powerflow';
import { inverse, toFraction, toNumber, type Rational } from '../rational';
import { inputTorque, outputTorque, solveLoads, type Solved, type Unbalanced } from '../solve';
import type { Train } from '../train';
import { figure, type RatioConvention } from '../units';
import { couplerName, exact, gearName, listed, memberName, unbalancedText } from '../words';
import { workingOf, workingText } from '../working';
import { modelOf } from '../model';
import { partsById } from '../train';
import { itemAt } from '../required';

/** What a sheet can be composed of, in its order. */
export const SECTIONS = {
  'side-view': 'Side view',
  // The chart stands under the side view: what the drawing is for is seen at once, and page one is filled.
  chart: 'Shift chart',
  'end-views': 'End views',
  working: 'Working',
  figures: 'Figures',
  parts: 'Parts list',
  forces: 'Wheels compared',
  checks: 'Checks',
  log: 'Log',
  cautions: 'Cautions',
} as const;
export type SectionKey = keyof typeof SECTIONS;

/** What is on the sheet, and what stands in its title block. */
export interface SheetAsked {
  readonly sections: readonly SectionKey[];
  /** A notebook derives every position three ways, and leaves room for remarks. */
  readonly style: 'sheet' | 'notebook';
  readonly convention: RatioConvention;
  readonly speedRpm: number | null;
  readonly torqueNm: number | null;
  /** What holds the outputs, N·m, where that is given instead of the torque put in. */
  readonly loads?: ReadonlyMap<string, Rational> | null;
  /** Stations shown; all where nothing is said. */
  readonly stations?: readonly string[];
  readonly log?: Log | null;
  readonly by?: string;
  readonly date?: string;
  readonly revision?: string;
}

export type SheetBlock =
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'list'; readonly items: readonly string[] }
  /** Lines of a derivation. */
  | { readonly kind: 'lines'; readonly title: string; readonly lines: readonly string[] }
  | {
      readonly kind: 'table';
      readonly caption?: string;
      readonly head: readonly string[];
      readonly rows: readonly (readonly string[])[];
    }
  | { readonly kind: 'side-view' }
  | { readonly kind: 'end-view'; readonly station: Station; readonly name: string; readonly scale: SheetScale | null }
  /** Room to write. */
  | { readonly kind: 'remarks' };

/** How large a drawing is on paper: millimetres of paper for one of the train, and how that is written. */
export interface SheetScale {
  readonly paperPerMm: number;
  readonly text: string;
}

export interface DesignSheet {
  readonly title: string;
  /** The title block: what, and what it says. */
  readonly head: readonly (readonly [string, string])[];
  /** Stands on every page: how ratios and signs are meant. */
  readonly convention: string;
  readonly sections: readonly {
    readonly key: SectionKey;
    readonly title: string;
    readonly blocks: readonly SheetBlock[];
  }[];
}

/**
 * A train as a document for the workshop: what there is to draw, tables, lists and lines, whoever shows it. @param
 * order figures from left to right, as the side view has them
 */
export function sheetOf(train: Train, asked: SheetAsked, order: readonly string[] = []): DesignSheet {
  const { convention, speedRpm, torqueNm, loads, by, date, revision } = asked;
  const input = [
    speedRpm === null ? null : `${figure(speedRpm)} rpm`,
    torqueNm === null ? null : `${figure(torqueNm)} N·m`,
  ].filter((one) => one !== null);
  const head: readonly (readonly [string, string | undefined])[] = [
    ['Input', input.join(', ') || undefined],
    ['Loads', loads ? loadsText(train, loads) : undefined],
    ['Revision', revision],
    ['Date', date],
    ['By', by],
  ];
  return {
    title: train.name,
    head: head.flatMap(([what, says]): (readonly [string, string])[] => (says ? [[what, says]] : [])),
    convention:
      `Ratios are ${convention}: ` +
      `${convention === 'in/out' ? 'input turns per output turn' : 'output turns per input turn'}; ` +
      'a minus means reverse. Without losses.',
    sections: (Object.keys(SECTIONS) as SectionKey[])
      .filter((key) => asked.sections.includes(key))
      .map((key) => ({ key, title: SECTIONS[key], blocks: BLOCKS[key](train, asked, order) }))
      .filter(({ blocks }) => blocks.length > 0),
  };
}

type Make = (train: Train, asked: SheetAsked, order: readonly string[]) => readonly SheetBlock[];

const BLOCKS: Readonly<Record<SectionKey, Make>> = {
  'side-view': () => [{ kind: 'side-view' }],
  'end-views': (train, { stations: wanted }, order) => {
    const sizes = gearSizes(train);
    const known = (station: Station) =>
      station.wheels.every(({ gear }) => sizes.of(partsById(train).gear(gear)).moduleMm !== null);
    return endView(train, order)
      .filter(({ key }) => !wanted || wanted.includes(key))
      .map((station): SheetBlock => ({
        kind: 'end-view',
        station,
        name: stationName(train, station),
        scale: known(station) ? scaleFor(station) : null,
      }));
  },
  chart: (train, { convention }) => {
    const { rows, forward } = chartOf(train);
    if (rows.length === 0) return [];
    return [
      {
        kind: 'table',
        head: [
          'position',
          ...train.couplers.map(({ id }) => couplerName(train, id)),
          'does',
          `ratio ${convention}`,
          'exact',
          'step',
        ],
        rows: rows.map((row) => chartRow(train, row, convention)),
      },
      ...(forward.spread
        ? [{ kind: 'text', text: `${forward.count} forward, spread ${figure(toNumber(forward.spread))}.` } as const]
        : []),
    ];
  },
  working: (train, { style, convention }) =>
    chartOf(train).rows.flatMap(({ name, id, solved }): SheetBlock[] => {
      if (solved.status !== 'drive') return [];
      const names = {
        member: (one: string) => memberName(train, one),
        coupler: (one: string) => couplerName(train, one),
      };
      const lines = (school: 'formula' | 'table') => workingText(workingOf(solved), names, convention, school);
      const title = `Position ${name || id}`;
      const one: SheetBlock = { kind: 'lines', title, lines: lines('formula') };
      if (style === 'sheet') return [one];
      const counted = memberFigures(solved).map((row) => [
        memberName(train, row.id),
        row.speed ? toFraction(row.speed) : 'open',
      ]);
      return [
        { ...one, title: `${title}: by the formula` },
        { kind: 'lines', title: `${title}: carrier first, then the rest turned back`, lines: lines('table') },
        { kind: 'table', caption: `${title}: turn the input once and count`, head: ['member', 'turns'], rows: counted },
        { kind: 'remarks' },
      ];
    }),
  figures: (train, { speedRpm, torqueNm, loads }) => {
    const open = modelOf(train).open;
    return chartOf(train).rows.flatMap(({ id, name, engaged, solved: driven }): SheetBlock[] => {
      const loaded = loads ? solveLoads(open, engaged, loads) : null;
      const solved = loaded?.ok ? loaded.solved : driven;
      if (solved.status !== 'drive' && !loaded?.ok) return [];
      // Torques of a position under loads are in N·m; of any other per unit put in.
      const perUnitNm = loads ? (loaded?.ok ? 1 : null) : torqueNm;
      return [
        {
          kind: 'table',
          caption: `Position ${name || id}`,
          head: [
            'member',
            'turns for one of the input',
            ...(speedRpm === null ? [] : ['rpm']),
            ...(perUnitNm === null ? [] : ['N·m']),
            'does',
          ],
          rows: memberFigures(solved).map(({ id: member, speed, torque, role }) => [
            memberName(train, member),
            speed ? toFraction(speed) : 'open',
            ...(speedRpm === null ? [] : [speed ? figure(toNumber(speed) * speedRpm) : 'open']),
            ...(perUnitNm === null ? [] : [torque ? figure(Math.abs(toNumber(torque)) * perUnitNm) : 'shared']),
            ROLE_WORDS[role],
          ]),
        },
        ...endsText(train, solved, perUnitNm, loaded && !loaded.ok ? loaded.why : null),
      ];
    });
  },
  parts: (train, { speedRpm, torqueNm }) => {
    const list = partsOf(train, { speedRpm, torqueNm });
    return [
      { kind: 'table', ...withoutEmpty(partsTable(list)) },
      { kind: 'text', text: `${list.wheels} wheels, ${list.different} different ones.` },
    ];
  },
  forces: (train, { speedRpm, torqueNm }) => {
    const ranked = torqueNm === null ? [] : rankWheels(train, { torqueNm, speedRpm });
    if (ranked.length === 0) return [];
    const { gear, position } = partsById(train);
    return [
      {
        kind: 'table',
        head: ['wheel', 'bending in the root N/mm²', 'pressure on the flank N/mm²', '% of the largest', 'worst in'],
        rows: ranked.map((one) => [
          gearName(train, gear(one.gear)),
          figure(one.rootStressMPa),
          one.contact === null ? '' : figure(one.contact.pressureMPa),
          figure(100 * one.ofLargest),
          position(one.position).name,
        ]),
      },
      { kind: 'text', text: CAUTIONS.comparison },
    ];
  },
  checks: (train, { speedRpm, torqueNm }) => {
    const found = checkDesign(train, { inputSpeed: speedRpm === null ? null : speedRpm / 60, inputTorque: torqueNm });
    const notes = new Map((train.setAside ?? []).map(({ finding, note }) => [finding, note]));
    const open = found
      .filter(({ key }) => !notes.has(key))
      .map(({ what, weight }) => `${weight === 'wrong' ? 'Open' : 'To know'}: ${what}`);
    const aside = found
      .filter(({ key }) => notes.has(key))
      .map(({ what, key }) => `Set aside: ${what} ${notes.get(key)}`);
    const items = [...open, ...aside];
    return [items.length > 0 ? { kind: 'list', items } : { kind: 'text', text: 'Nothing is open.' }];
  },
  log: (train, { log }) => {
    if (!log || log.readings.length === 0) return [];
    const { judge } = judgeFor(train);
    const judged = countedIn(log).flatMap(({ reading }) => {
      try {
        return [{ reading, judged: judge(reading) }];
      } catch (error) {
        // A reading of a part that is gone by now is counted, and cannot be judged.
        if (error instanceof RangeError) return [];
        throw error;
      }
    });
    const count = (verdict: string) => judged.filter((one) => one.judged.verdict === verdict).length;
    const said =
      `${log.readings.length} readings: ${count('agrees')} agree, ` +
      `${count('does-not-agree')} do not, ${count('cannot-tell')} cannot tell.`;
    const odd = judged.filter((one) => one.judged.verdict === 'does-not-agree').slice(-MOST_ODD);
    return [
      { kind: 'text', text: said },
      ...(odd.length > 0
        ? [
            {
              kind: 'list',
              items: odd.map(
                ({ reading }) =>
                  'Does not agree: ' +
                  [
                    reading.kind,
                    reading.position && ` in position ${reading.position}`,
                    reading.at && `, ${reading.at}`,
                    reading.note && `: ${reading.note}`,
                  ].join(''),
              ),
            } as const,
          ]
        : []),
    ];
  },
  cautions: (train) => [{ kind: 'list', items: cautionsFor(train) }],
};

/** What goes in and comes out at the ends, in a line; or why loads do not balance. */
function endsText(
  train: Train,
  solved: Solved,
  perUnitNm: number | null,
  why: Unbalanced | null,
): readonly SheetBlock[] {
  if (why) return [{ kind: 'text', text: `Torques: ${unbalancedText(train, why)}.` }];
  if (perUnitNm === null) return [];
  const told = (torque: Rational | null) =>
    torque === null ? 'open' : `${figure(Math.abs(toNumber(torque)) * perUnitNm)} N·m`;
  const { memberIds, outputs } = solved.network;
  const out = outputs.map(
    (member) => `${memberName(train, memberIds[member] ?? '')} ${told(outputTorque(solved, member))}`,
  );
  return [{ kind: 'text', text: `Torque in ${told(inputTorque(solved))}; out: ${listed(out)}.` }];
}

const loadsText = (train: Train, loads: ReadonlyMap<string, Rational>): string =>
  listed([...loads].map(([id, torque]) => `${memberName(train, id)} ${figure(toNumber(torque))} N·m`));

/** What a member does, in words. */
const ROLE_WORDS: Readonly<Record<MemberRole, string>> = {
  drives: 'takes power in',
  'gives out': 'gives power out',
  carries: 'carries power',
  holds: 'held',
  still: 'stands',
  idle: 'turns idle',
  shared: 'torque shared',
  floats: 'undetermined',
};

const MOST_ODD = 10;

function chartRow(
  train: Train,
  { id, name, engaged, solved, step }: ChartRow,
  convention: RatioConvention,
): readonly string[] {
  const { ratio, status } = solved;
  // Signed: the sheet says so on every page.
  const shown = ratio && (convention === 'in/out' ? ratio : inverse(ratio));
  return [
    name || id,
    ...train.couplers.map((coupler) => (engaged.includes(coupler.id) ? '●' : '')),
    status === 'drive' && ratio && toNumber(ratio) < 0 ? 'reverse' : status,
    shown ? figure(toNumber(shown)) : '',
    shown ? exact(shown) : '',
    step ? figure(toNumber(step)) : '',
  ];
}

const stationName = (train: Train, { wheels }: Station): string =>
  [...new Set(wheels.map(({ teeth, member }) => `${teeth} on ${memberName(train, member)}`))].join(', ');

/** Paper that a drawing may take, mm. */
const [PAPER_WIDTH, PAPER_HEIGHT] = [170, 110];
const SCALES = [10, 5, 2, 1, 1 / 2, 1 / 5, 1 / 10, 1 / 20, 1 / 50, 1 / 100];

/** The largest usual scale at which a station fits the paper. */
function scaleFor({ bounds: { left, right, top, bottom } }: Station): SheetScale {
  const fits = (scale: number) =>
    (right - left) * scale <= PAPER_WIDTH && Math.abs(bottom - top) * scale <= PAPER_HEIGHT;
  const scale = SCALES.find(fits) ?? itemAt(SCALES, -1);
  return { paperPerMm: scale, text: scale >= 1 ? `${scale}:1` : `1:${Math.round(1 / scale)}` };
}

/** Columns in which nothing stands are left out: they say nothing. */
function withoutEmpty({
  head,
  rows,
}: {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}) {
  const kept = head.map((_, i) => rows.some((row) => row[i] !== ''));
  return { head: head.filter((_, i) => kept[i]), rows: rows.map((row) => row.filter((_, i) => kept[i])) };
}

/** What the workshop is told where it applies; local rules come first. */
function cautionsFor(train: Train): readonly string[] {
  const printed = train.gears.some(({ material }) => material === 'printed' || material === 'nylon');
  const { figures, turning, burst, springs, licensed, local } = CAUTIONS;
  return [figures, turning, printed ? burst.replace('Fast or printed', 'Printed') : burst, springs, licensed, local];
}
