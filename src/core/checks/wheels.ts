import { geometryOf, leastShift, type GearGeometry, type Interference, type MeshGeometry } from '../geometry';
import { changeGear, type Gear, type Mesh, type Train } from '../train';
import { gearName } from '../words';
import { finding, type Finding } from './finding';
import { millimetres, outsideFirst, shiftMends, shiftText, withShifts } from './shifts';

/** Least contact ratio at which one pair of teeth takes over from the next. */
const LEAST_CONTACT = 1;
const GOOD_CONTACT = 1.2;
/** Parts of a module: a tip thinner than this breaks out; teeth looser than that rattle. */
const THIN_TIP = 0.2;
const LOOSE = 0.15;
/** Parts of a module that may be missing from a tip before whoever orders the wheel must know. */
const SHORTENED = 0.25;
/** Parts of a module: what rounding of typed shifts leaves is no clash. */
const NEAR = 1e-3;

/** Checks of wheels as they are cut and run: centres, shifts, contact, interference, pointed tips, hands of helices. */
export function wheelFindings(train: Train): Finding[] {
  return [
    ...train.meshes.flatMap((mesh) => [...centreFindings(train, mesh), ...helixFindings(train, mesh)]),
    ...train.gears.flatMap((gear) => tipFindings(train, gear)),
  ];
}

/** Only where sizes are given is anything said: without them every pair runs as its pitch circles touch. */
function centreFindings(train: Train, mesh: Mesh): Finding[] {
  const geometry = geometryOf(train);
  const pair = outsideFirst(train, mesh);
  const gears = pair.map(({ id }) => id);
  const given = geometry.givenCentreMm(mesh);
  const sized = gears.every((id) => geometry.moduleMm(id) !== null && geometry.spec(id) !== null);
  if (!sized) return [];
  const run = geometry.mesh(mesh.id);
  const counts = pair.map(({ teeth }) => teeth).join(' and ');
  if (!run)
    return [
      finding(
        'centre',
        'wrong',
        {
          what: `${counts} cannot run at ${given === null ? 'any centre distance' : millimetres(given)}.`,
          why: 'There the teeth of one would lie within the base circle of the other: no shift reaches it.',
          mend: 'Take another centre distance, module or counts.',
        },
        { gears },
      ),
    ];
  return [...backlashFindings(train, mesh, run, counts), ...contactFindings(run, counts, gears)];
}

function backlashFindings(train: Train, mesh: Mesh, run: MeshGeometry, counts: string): Finding[] {
  const { centreMm } = run.running;
  const { gears } = mesh;
  const extra = run.backlashMm - (train.backlash ?? 0);
  if (run.backlashMm < -NEAR * run.moduleMm)
    return [
      finding(
        'centre',
        'wrong',
        {
          what: `${counts} jam at ${millimetres(centreMm)}: their teeth are ${millimetres(-run.backlashMm)} too thick there.`,
          why: `This centre distance asks for shifts of ${shiftText(run.running.shiftSum)} together.`,
          mend: 'Take shifts that add up to it, or a larger centre distance.',
          mends: shiftMends(train, mesh, centreMm),
        },
        { gears },
      ),
    ];
  if (extra <= LOOSE * run.moduleMm) return [];
  return [
    finding(
      'centre',
      'note',
      {
        what: `${counts} run loose at ${millimetres(centreMm)}: ${millimetres(run.backlashMm)} of backlash.`,
        why: `This centre distance asks for shifts of ${shiftText(run.running.shiftSum)} together.`,
        mend: 'Shifts that add up to it make the teeth fill the gap.',
        mends: shiftMends(train, mesh, centreMm),
      },
      { gears },
    ),
  ];
}

function contactFindings(run: MeshGeometry, counts: string, gears: readonly string[]): Finding[] {
  const ratio = run.usableContactRatio + (run.overlapRatio ?? 0);
  const short = ratio < GOOD_CONTACT;
  return [
    ...(short
      ? [
          finding(
            'contact',
            ratio < LEAST_CONTACT ? 'wrong' : 'note',
            {
              what: `The contact ratio of ${counts} is ${ratio.toFixed(2)}.`,
              why:
                ratio < LEAST_CONTACT
                  ? 'A pair of teeth parts before the next one takes over: it knocks, and turns unevenly.'
                  : 'Little more than one pair of teeth carries at a time: it runs rougher and louder.',
              mend: 'Longer teeth, a smaller pressure angle, more teeth or a smaller centre distance give more.',
            },
            { gears },
          ),
        ]
      : []),
    ...run.interference.filter(isNews).map((what) =>
      finding(
        'interference',
        what === 'radial' ? 'note' : 'wrong',
        {
          what: INTERFERENCE[what].what(counts),
          why: INTERFERENCE[what].why,
          mend: INTERFERENCE[what].mend,
        },
        { gears },
      ),
    ),
  ];
}

/** How a gear goes into its ring says nothing where the two cannot run. */
const isNews = (what: Interference, _: number, all: readonly Interference[]): boolean =>
  what !== 'radial' || !all.includes('trochoid');

const INTERFERENCE = {
  root: {
    what: (counts: string) => `The tip of one runs into the root of the other: ${counts}.`,
    why: 'Below where its flank begins a tooth is rounded; a tip that reaches there cuts into it.',
    mend: 'A shift, shorter teeth or a larger centre distance clears it.',
  },
  trochoid: {
    what: (counts: string) => `Tips of ${counts} meet where they should have passed each other.`,
    why: 'Gear and ring are too alike: a tip still stands in the ring’s space when the ring’s tooth comes.',
    mend: 'More teeth between them, shorter teeth, or a larger shift of the ring.',
  },
  radial: {
    what: (counts: string) => `${counts} go together along the axis only.`,
    why: 'On the way in from the middle the tips of the gear would not pass the ring’s.',
    mend: 'Put the gear in from the side; nothing needs to be changed.',
  },
};

function tipFindings(train: Train, gear: Gear): Finding[] {
  const cut = geometryOf(train).gear(gear.id);
  return cut ? [...thinFindings(train, gear, cut), ...shortenedFindings(train, gear, cut)] : [];
}

function thinFindings(train: Train, gear: Gear, cut: GearGeometry): Finding[] {
  const shift = gear.shift ?? 0;
  if (shift === 0 && train.addendum === undefined) return [];
  if (cut.tipThicknessMm >= THIN_TIP * cut.spec.moduleMm) return [];
  return [
    finding(
      'pointed',
      cut.form.pointed ? 'wrong' : 'note',
      {
        what: cut.form.pointed
          ? `The teeth of ${gearName(train, gear)} end in a point before their full height.`
          : `The tips of ${gearName(train, gear)} are ${millimetres(cut.tipThicknessMm)} thick.`,
        why: 'Thin tips break out, and cannot be hardened through.',
        mend: 'A smaller shift, or shorter teeth, leaves more of a land.',
        mends: shift > 0 ? [{ label: 'No shift', apply: (now) => changeGear(now, gear.id, { shift: undefined }) }] : [],
      },
      { gears: [gear.id] },
    ),
  ];
}

function shortenedFindings(train: Train, gear: Gear, { spec }: GearGeometry): Finding[] {
  const { tipCutMm = 0, moduleMm, shift = 0 } = spec;
  if (tipCutMm < SHORTENED * moduleMm) return [];
  return [
    finding(
      'shortened',
      'note',
      {
        what: `The tips of ${gearName(train, gear)} are cut back by ${millimetres(tipCutMm)}.`,
        why: 'At full height they would run into the roots of their mate. A stock wheel has them still.',
        mend:
          shift === 0
            ? 'Order the wheel with this tip diameter, or take a centre distance nearer to the one without shifts.'
            : 'Order the wheel with this tip diameter, or take shifts nearer to 0.',
      },
      { gears: [gear.id] },
    ),
  ];
}

/** Shifted wheels, and those of another rack, are undercut by what the rack says; see leastShift. */
export function undercutByShift(train: Train, gear: Gear): { readonly least: number } | null {
  const spec = geometryOf(train).spec(gear.id);
  if (!spec || spec.internal) return null;
  const least = leastShift(spec);
  return (gear.shift ?? 0) < least - 0.01 ? { least } : null;
}

/** A shift that keeps a gear's roots whole. */
export const leastShiftMend = (gear: Gear, least: number) => {
  const shift = Math.ceil(least * 100) / 100;
  return {
    label: `${shiftText(shift)} on ${gear.teeth}`,
    apply: (train: Train) => withShifts(train, [[gear.id, shift]]),
  };
};

/** Two gears that mesh outside have helices of opposite hands, a gear in a ring the ring's own. */
function helixFindings(train: Train, mesh: Mesh): Finding[] {
  const [one, two] = outsideFirst(train, mesh);
  if (geometryOf(train).spec(one.id) === null || geometryOf(train).spec(two.id) === null) return [];
  const inRing = two.type === 'internal';
  const [helix = 0, mate = 0] = [one.helix, two.helix];
  const wanted = inRing ? helix : -helix;
  if (mate === wanted) return [];
  const other = inRing ? mate : -mate;
  const give = (gear: Gear, angle: number) => ({
    label: `Gear ${gear.teeth}: helix ${String(angle).replace('-', '−')}°`,
    apply: (now: Train) => changeGear(now, gear.id, { helix: angle === 0 ? undefined : angle }),
  });
  return [
    finding(
      'helix',
      'wrong',
      {
        what: `${one.teeth} has a helix of ${signed(helix)}, ${two.teeth} one of ${signed(mate)}: they do not run together.`,
        why: inRing
          ? 'A gear and its ring lean the same way, by the same angle.'
          : 'Two gears that mesh outside lean opposite ways, by the same angle.',
        mend: 'Give both the same angle, and the hands that run together.',
        mends: [give(two, wanted + 0), give(one, other + 0)],
      },
      { gears: [one.id, two.id] },
    ),
  ];
}

const signed = (angle: number): string => `${String(angle).replace('-', '−')}°`;
