import { structureOf, type Figure, type SetPlane } from '../structure';
import { changeMember, type Gear, type Train, partsById } from '../train';
import { exact, memberName } from '../words';
import { timingOf, type TimingContact } from './assembly';
import { finding, type Finding } from './finding';
import { teethFix } from './meshes';
import { itemAt, required } from '../required';

/** Teeth that stand out beyond the pitch circles of two planets side by side: one addendum each, twice. */
const TIPS = 2;
/** Numbers of planets that are proposed where the present one does not go in. */
const PROPOSED = [2, 3, 4, 5, 6, 7, 8];

type SetFigure = Extract<Figure, { kind: 'set' }>;

/** Checks of planetary sets: one axis, equal planets that go in and do not touch, how stepped planets' marks point. */
export function planetFindings(train: Train): Finding[] {
  const parts = partsById(train);
  return structureOf(train).figures.flatMap((figure) => {
    if (figure.kind !== 'set') return [];
    const simple = figure.planes.flatMap(({ sun, ring, planets }: SetPlane) =>
      planets.length === 1 && sun && ring ? [{ sun, ring, planet: itemAt(planets, 0) }] : [],
    );
    return [
      ...simple.flatMap(({ sun, ring, planet }) => coaxial(sun, planet, ring)),
      ...planetsOf(figure).flatMap((planet) => goesIn(train, figure, planet, parts.find.member(planet)?.copies)),
      ...figure.planes.flatMap(({ sun, planets }) =>
        planets.length === 1 && sun
          ? collision(sun, itemAt(planets, 0), parts.find.member(itemAt(planets, 0).member)?.copies)
          : [],
      ),
    ];
  });
}

const planetsOf = ({ planes }: SetFigure): string[] => [
  ...new Set(planes.flatMap(({ planets }) => planets.map(({ member }) => member))),
];

/** With one module, ring = sun + 2 planets (the planet fills the gap between them). */
function coaxial(sun: Gear, planet: Gear, ring: Gear): Finding[] {
  const wanted = sun.teeth + 2 * planet.teeth;
  if (ring.teeth === wanted) return [];
  const fits = (ring.teeth - sun.teeth) % 2 === 0 && ring.teeth > sun.teeth ? (ring.teeth - sun.teeth) / 2 : null;
  return [
    finding(
      'coaxial',
      'wrong',
      {
        what: `Sun ${sun.teeth}, planet ${planet.teeth} and ring ${ring.teeth} do not fit round one axis.`,
        why:
          'The planet fills the gap between sun and ring: with one module the ring ' +
          'has the sun’s teeth and twice the planet’s.',
        mend:
          `A ring of ${wanted}${fits === null ? '' : `, or a planet of ${fits},`} ` +
          'would fit; profile shift can take up a tooth.',
        mends: [teethFix('Ring', ring, wanted), ...(fits === null ? [] : [teethFix('Planet', planet, fits)])],
      },
      { gears: [sun.id, planet.id, ring.id] },
    ),
  ];
}

/** Do equal planets, spaced evenly, find their places? A planet that meshes with another planet is not looked at. */
function goesIn(train: Train, { planes, carrier }: SetFigure, planet: string, copies: number | undefined): Finding[] {
  const own = planes.filter(({ planets }) => planets.some(({ member }) => member === planet));
  if (copies === undefined || own.some(({ planets }) => planets.length > 1)) return [];
  const touched = own.flatMap(({ sun, ring, planets: [gear] }) =>
    [sun, ring].flatMap((central) => (central ? [{ gear: required(gear), central }] : [])),
  );
  const contacts: TimingContact[] = touched.map(({ gear, central }) => ({
    planetTeeth: gear.teeth,
    centralTeeth: central.teeth,
    internal: central.type === 'internal',
  }));
  const gears = [...new Set(touched.flatMap(({ gear, central }) => [gear.id, central.id]))];
  const stepped = new Set(touched.map(({ gear }) => gear.id)).size > 1;
  const marks = timingOf(contacts, copies);
  const name = (id: string) => memberName(train, id);
  if (marks === null) {
    const even = PROPOSED.filter(
      (count) =>
        timingOf(contacts, count) !== null &&
        own.every(({ sun, planets: [gear] }) => !sun || clear(sun, required(gear), count)),
    );
    const [{ central: a }, { central: b }] = touched as [(typeof touched)[0], (typeof touched)[0]];
    return [
      finding(
        'assembly',
        'wrong',
        {
          what: stepped
            ? `${copies} stepped planets on ${name(carrier)} cannot be spaced evenly.`
            : `${copies} planets cannot be spaced evenly between ${a.teeth} and ${b.teeth}.`,
          why: stepped
            ? 'Made alike, with their two gears clocked the same, the next planet meets a tooth where it needs a gap.'
            : `Sun and ring teeth add up to ${a.teeth + b.teeth}, which ${copies} ` +
              'does not divide: the last planet finds no gap.',
          mend:
            `` +
            (even.length > 0
              ? `${even.join(', ')} planets would go in evenly; `
              : 'No number up to 8 goes in evenly; ') +
            `or change the counts${stepped ? ', or clock each planet’s gears by themselves' : ''}.`,
          mends: even.slice(0, 3).map((count) => ({
            label: `${count} planets`,
            apply: (now) => changeMember(now, planet, { copies: count }),
          })),
        },
        { gears },
      ),
    ];
  }
  if (!stepped || copies < 2) return [];
  const straight = marks.every(({ mark }) => mark.n === 0);
  return [
    finding(
      'timing',
      'note',
      {
        what:
          `The ${copies} stepped planets on ${name(carrier)} go in ` +
          `evenly${straight ? ', all marks straight out' : ', each with its mark at its own angle'}.`,
        why:
          'Their two gears are clocked to each other, so a planet that is put in a ' +
          'few teeth off does not meet both central gears.',
        mend: straight
          ? 'Mark the same place of every planet and put them in with the marks straight out.'
          : 'Mark the same place of every planet. Marks from straight out, in turns counter-clockwise: ' +
            `${marks.map(({ planet: k, mark }) => `planet ${k} ${exact(mark)}`).join(', ')}.`,
        marks,
      },
      { gears },
    ),
  ];
}

/** Neighbouring planets clear each other when (sun + planet) · sin(π / number) > planet + 2, in modules. */
const clear = (sun: Gear, planet: Gear, count: number): boolean =>
  (sun.teeth + planet.teeth) * Math.sin(Math.PI / count) > planet.teeth + TIPS;

function collision(sun: Gear, planet: Gear, copies: number | undefined): Finding[] {
  if (copies === undefined || copies < 2 || clear(sun, planet, copies)) return [];
  let most = copies;
  while (most > 1 && !clear(sun, planet, most)) most--;
  return [
    finding(
      'collision',
      'wrong',
      {
        what: `${copies} planets of ${planet.teeth} round a sun of ${sun.teeth} run into each other.`,
        why: 'The tips of neighbouring planets overlap.',
        mend: `At most ${most} of them fit; or take smaller planets.`,
        mends: [
          {
            label: `${most} ${most === 1 ? 'planet' : 'planets'}`,
            apply: (train) => changeMember(train, planet.member, { copies: most }),
          },
        ],
      },
      { gears: [planet.id] },
    ),
  ];
}
