import { planDrawing, type Figure, type SetPlane } from '../drawing';
import type { Gear, Train } from '../train';
import { finding, type Finding } from './finding';

/** Teeth that stand out beyond the pitch circles of two planets side by side: one addendum each, twice. */
const TIPS = 2;

/** Checks of planetary sets: one axis, equal spacing, planets that touch each other. */
export function planetFindings(train: Train): Finding[] {
  const copies = new Map(train.members.map((member) => [member.id, member.copies]));
  return planDrawing(train).figures.flatMap((figure) => (figure.kind === 'set' ? setFindings(figure, (gear) => copies.get(gear.member)) : []));
}

function setFindings(figure: Extract<Figure, { kind: 'set' }>, copiesOf: (planet: Gear) => number | undefined): Finding[] {
  const simple = figure.planes.flatMap(({ sun, ring, planets }: SetPlane) => (planets.length === 1 && sun && ring ? [{ sun, ring, planet: planets[0]! }] : []));
  return [
    ...simple.flatMap(({ sun, ring, planet }) => coaxial(sun, planet, ring)),
    ...(figure.planes.length === 1 ? simple.flatMap(({ sun, ring, planet }) => spacing(sun, planet, ring, copiesOf(planet))) : []),
    ...figure.planes.flatMap(({ sun, planets }) => (planets.length === 1 && sun ? collision(sun, planets[0]!, copiesOf(planets[0]!)) : [])),
  ];
}

/** With one module, ring = sun + 2 planets (the planet fills the gap between them). */
function coaxial(sun: Gear, planet: Gear, ring: Gear): Finding[] {
  const wanted = sun.teeth + 2 * planet.teeth;
  if (ring.teeth === wanted) return [];
  return [
    finding(
      'coaxial',
      'wrong',
      {
        what: `Sun ${sun.teeth}, planet ${planet.teeth} and ring ${ring.teeth} do not fit round one axis.`,
        why: 'The planet fills the gap between sun and ring: with one module the ring has the sun’s teeth and twice the planet’s.',
        mend: `A ring of ${wanted}${(ring.teeth - sun.teeth) % 2 === 0 && ring.teeth > sun.teeth ? `, or a planet of ${(ring.teeth - sun.teeth) / 2},` : ''} would fit; profile shift can take up a tooth.`,
      },
      { gears: [sun.id, planet.id, ring.id] },
    ),
  ];
}

/** Equal planets can be put in evenly when sun and ring teeth add up to a multiple of their number. */
function spacing(sun: Gear, planet: Gear, ring: Gear, copies: number | undefined): Finding[] {
  if (copies === undefined || (sun.teeth + ring.teeth) % copies === 0) return [];
  const even = [2, 3, 4, 5, 6].filter((count) => (sun.teeth + ring.teeth) % count === 0);
  return [
    finding(
      'assembly',
      'wrong',
      {
        what: `${copies} planets cannot be spaced evenly between ${sun.teeth} and ${ring.teeth}.`,
        why: `Sun and ring teeth add up to ${sun.teeth + ring.teeth}, which ${copies} does not divide: the last planet finds no gap.`,
        mend: even.length > 0 ? `${even.join(', ')} planets would go in evenly; or change the counts.` : 'Change the counts so that their sum can be divided.',
      },
      { gears: [sun.id, planet.id, ring.id] },
    ),
  ];
}

/** Neighbouring planets clear each other when (sun + planet) · sin(π / number) > planet + 2, in modules. */
function collision(sun: Gear, planet: Gear, copies: number | undefined): Finding[] {
  if (copies === undefined || copies < 2 || (sun.teeth + planet.teeth) * Math.sin(Math.PI / copies) > planet.teeth + TIPS) return [];
  let most = copies;
  while (most > 1 && (sun.teeth + planet.teeth) * Math.sin(Math.PI / most) <= planet.teeth + TIPS) most--;
  return [
    finding(
      'collision',
      'wrong',
      { what: `${copies} planets of ${planet.teeth} round a sun of ${sun.teeth} run into each other.`, why: 'The tips of neighbouring planets overlap.', mend: `At most ${most} of them fit; or take smaller planets.` },
      { gears: [planet.id] },
    ),
  ];
}
