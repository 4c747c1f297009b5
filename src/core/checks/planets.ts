import { structureOf, type Figure, type SetPlane } from '../structure';
import { changeMember, type Gear, type Train, partsById } from '../train';
import { exact, memberName } from '../words';
import { geometryOf, runningCentre, sharedCentre } from '../geometry';
import { timingOf, type TimingContact } from './assembly';
import { finding, type Finding } from './finding';
import { teethFix } from './meshes';
import { millimetres, shiftText, withShifts } from './shifts';
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
      ...simple.flatMap(({ sun, ring, planet }) => coaxial(train, sun, planet, ring)),
      ...planetsOf(figure).flatMap((planet) => goesIn(train, figure, planet, parts.find.member(planet)?.copies)),
      ...figure.planes.flatMap(({ sun, planets }) =>
        planets.length === 1 && sun
          ? collision(train, sun, itemAt(planets, 0), parts.find.member(itemAt(planets, 0).member)?.copies)
          : [],
      ),
    ];
  });
}

const planetsOf = ({ planes }: SetFigure): string[] => [
  ...new Set(planes.flatMap(({ planets }) => planets.map(({ member }) => member))),
];

/**
 * Do sun, planet and ring run round one axis? Without shifts and with one module where ring = sun + 2 planets; with
 * them where both meshes run at one centre distance.
 */
function coaxial(train: Train, sun: Gear, planet: Gear, ring: Gear): Finding[] {
  const wanted = sun.teeth + 2 * planet.teeth;
  const shifted = [sun, planet, ring].some(({ shift }) => shift);
  const centres = [centreBetween(train, sun, planet), centreBetween(train, planet, ring)] as const;
  const agree = centres[0] !== null && centres[1] !== null && Math.abs(centres[0] - centres[1]) < NEAR;
  if (agree || (ring.teeth === wanted && !shifted)) return [];
  const fits = (ring.teeth - sun.teeth) % 2 === 0 && ring.teeth > sun.teeth ? (ring.teeth - sun.teeth) / 2 : null;
  const byShift = sharedByShift(train, sun, planet, ring);
  return [
    finding(
      'coaxial',
      'wrong',
      {
        what: `Sun ${sun.teeth}, planet ${planet.teeth} and ring ${ring.teeth} do not fit round one axis.`,
        why: shifted
          ? 'With these shifts the planet wants another distance from the sun’s axis than from the ring’s.'
          : 'The planet fills the gap between sun and ring: with one module the ring ' +
            'has the sun’s teeth and twice the planet’s.',
        mend:
          `A ring of ${wanted}${fits === null ? '' : `, or a planet of ${fits},`} would fit; ` +
          (byShift ? byShift.says : 'no shift of the planet reaches it.'),
        mends: [
          ...(byShift ? [byShift.mend] : []),
          ...(ring.teeth === wanted ? [] : [teethFix('Ring', ring, wanted)]),
          ...(fits === null || fits === planet.teeth ? [] : [teethFix('Planet', planet, fits)]),
        ],
      },
      { gears: [sun.id, planet.id, ring.id] },
    ),
  ];
}

/** In modules: what rounding of typed shifts leaves. */
const NEAR = 1e-3;

/** Where a pair runs, in modules; null where it cannot. */
function centreBetween(train: Train, a: Gear, b: Gear): number | null {
  const mesh = train.meshes.find(({ gears }) => gears.includes(a.id) && gears.includes(b.id));
  const geometry = geometryOf(train);
  const run = mesh && geometry.mesh(mesh.id);
  if (run) return run.running.centreMm / run.moduleMm;
  const [one, two] = (a.type === 'internal' ? [b, a] : [a, b]).map(({ id }) => geometry.spec(id));
  if (!one || !two || (mesh && geometry.givenCentreMm(mesh) !== null)) return null;
  return runningCentre([one, two]) / one.moduleMm;
}

/** The planet's shift that makes both pairs run, with what is said of it. */
function sharedByShift(train: Train, sun: Gear, planet: Gear, ring: Gear) {
  const geometry = geometryOf(train);
  const [s, p, r] = [sun, planet, ring].map(({ id }) => geometry.spec(id));
  const found = s && p && r ? sharedCentre(s, p, r) : null;
  if (!found || !p || Math.abs(found.planetShift) > 1) return null;
  const known = geometry.moduleMm(planet.id) !== null;
  const at = known
    ? `at ${millimetres(found.centreMm)}`
    : `at ${Number((found.centreMm / p.moduleMm).toFixed(3))} modules`;
  return {
    says: `${shiftText(found.planetShift)} on the planet makes both pairs run ${at}.`,
    mend: {
      label: `${shiftText(found.planetShift)} on the planet`,
      apply: (now: Train) => withShifts(now, [[planet.id, found.planetShift]]),
    },
  };
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
        own.every(({ sun, planets: [gear] }) => !sun || clear(train, sun, required(gear), count)),
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

/**
 * Neighbouring planets clear each other when 2 a sin(π / number) is more than twice the planet's tip radius, at the
 * centre distance at which it runs; without sizes (sun + planet) · sin(π / number) > planet + 2, in modules.
 */
function clear(train: Train, sun: Gear, planet: Gear, count: number): boolean {
  const sine = Math.sin(Math.PI / count);
  const centre = centreBetween(train, sun, planet);
  const cut = geometryOf(train).gear(planet.id);
  if (!cut || centre === null || !Number.isFinite(centre))
    return (sun.teeth + planet.teeth) * sine > planet.teeth + TIPS;
  return centre * sine > cut.form.tipRadius / cut.spec.moduleMm;
}

function collision(train: Train, sun: Gear, planet: Gear, copies: number | undefined): Finding[] {
  if (copies === undefined || copies < 2 || clear(train, sun, planet, copies)) return [];
  let most = copies;
  while (most > 1 && !clear(train, sun, planet, most)) most--;
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
            apply: (now) => changeMember(now, planet.member, { copies: most }),
          },
        ],
      },
      { gears: [planet.id] },
    ),
  ];
}
