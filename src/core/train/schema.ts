import * as z from 'zod/mini';

import type { CouplerId, GearId, MemberId, MeshId, PositionId, SelectorId } from './ids';
import { COUPLER_STYLES, LIMITS, MATERIALS, MOST_SHIFT, ONE_INPUT } from './limits';

const text = (error: string) => z.string({ error });
const whole = (error: string, least: number, tooLow: string, most: number, tooHigh: string) =>
  z.number({ error }).check(z.int(error), z.gte(least, tooLow), z.lte(most, tooHigh));

const idShape = z.regex(
  /^[\p{L}\p{N}][\p{L}\p{N} _.+:-]{0,63}$/u,
  'An id starts with a letter or a digit and has at most 64 letters, digits, spaces or . _ + : -',
);
const id = text('An id must be text.').check(idShape);
/** The same text, with what it names in its type. */
const idOf = <T extends string>() => id as unknown as z.ZodMiniType<T, T>;
const memberId = idOf<MemberId>();
const inputId = z
  .string({ error: ({ input }) => (Array.isArray(input) ? ONE_INPUT : 'An id must be text.') })
  .check(idShape) as unknown as z.ZodMiniType<MemberId, MemberId>;
const gearId = idOf<GearId>();
const meshId = idOf<MeshId>();
const couplerId = idOf<CouplerId>();

const name = text('Give a name, as text.').check(z.maxLength(120, 'A name has at most 120 characters.'));
const notes = text('Notes must be text.').check(z.maxLength(20_000, 'Notes have at most 20 000 characters.'));
const efficiency = z
  .number({ error: 'An efficiency is a number above 0 and at most 1.' })
  .check(z.gt(0, 'An efficiency must be above 0.'), z.lte(1, 'An efficiency can be at most 1.'));
const positive = (what: string) =>
  z
    .number({ error: `${what} must be a number above 0.` })
    .check(z.gt(0, `${what} must be above 0.`), z.lte(1e9, `${what} is too large.`));
const inRange = (error: string, least: number, most: number) =>
  z.number({ error }).check(z.gte(least, error), z.lte(most, error));
const millimetres = (what: string) => inRange(`${what} is above 0 and at most 100 000 mm.`, 1e-3, 1e5);
const place = inRange('A place along the axis is a number of mm, at most 100 000.', -1e5, 1e5);
const distance = z
  .number({ error: 'Travel is a number of mm.' })
  .check(z.gte(-1e6, 'Travel is too large.'), z.lte(1e6, 'Travel is too large.'));
const list = <T extends z.ZodMiniType>(item: T, most: number, what: string) =>
  z.array(item, { error: `${what} must be a list.` }).check(z.maxLength(most, `At most ${most} ${what} are allowed.`));

export const teethSchema = z
  .number({
    error: (issue) => (issue.input === undefined ? 'Give a tooth count.' : 'A tooth count must be a whole number.'),
  })
  .check(
    z.int('A tooth count must be a whole number.'),
    z.gte(1, 'A tooth count must be at least 1.'),
    z.lte(LIMITS.teeth, 'A tooth count can be at most 100 000.'),
  );

export const memberSchema = z.strictObject({
  id: memberId,
  name,
  carrier: z.optional(memberId),
  copies: z.optional(
    whole(
      'The number of planets must be whole.',
      1,
      'There is at least 1 planet.',
      64,
      'At most 64 planets are allowed.',
    ),
  ),
  color: z.optional(
    text('A colour is a text.').check(z.regex(/^#[0-9a-fA-F]{6}$/, 'A colour is written like #1a2b3c.')),
  ),
  /** Torque, N·m, that people allow it. */
  limit: z.optional(positive('A torque limit')),
  /** Where its two bearings stand along the axis, mm. */
  bearings: z.optional(
    z
      .tuple([place, place], { error: 'Bearings are two places along the axis, in mm.' })
      .check(z.refine(([a, b]) => a !== b, 'The two bearings stand at different places.')),
  ),
});

const station = z.optional(
  whole('A station is a whole number.', -1000, 'A station is at least -1000.', 1000, 'A station is at most 1000.'),
);

/** How a wheel's teeth are cut and how it is held on its shaft, beyond what motion needs; all of it may be left out. */
const wheelFields = {
  /** Profile shift, in modules; of a ring it makes the spaces wider, as it makes the teeth of a gear thicker. */
  shift: z.optional(
    inRange(`A profile shift is from −${MOST_SHIFT} to ${MOST_SHIFT} modules.`, -MOST_SHIFT, MOST_SHIFT),
  ),
  /** At the pitch circle, degrees; right-handed above 0. */
  helix: z.optional(inRange('A helix angle is from −60 to 60°.', -60, 60)),
  /** Left over right hand in one wheel, which pushes nowhere. */
  herringbone: z.optional(z.boolean({ error: 'herringbone is true or false.' })),
  bore: z.optional(millimetres('A bore')),
  keyway: z.optional(z.strictObject({ width: millimetres('A keyway'), depth: millimetres('A keyway') })),
  /** A square hole instead of a round bore, across flats, mm. */
  square: z.optional(millimetres('A square hole')),
  hub: z.optional(z.strictObject({ outside: millimetres('A hub'), length: millimetres('A hub') })),
  /** Round holes between hub and rim. */
  holes: z.optional(
    whole(
      'The number of holes must be whole.',
      0,
      'There are 0 holes or more.',
      24,
      'At most 24 lightening holes are allowed.',
    ),
  ),
  /** Of a ring: how thick it is outside its roots, mm. */
  rim: z.optional(millimetres('A rim')),
};

export const gearSchema = z.strictObject({
  id: gearId,
  member: memberId,
  teeth: teethSchema,
  type: z.enum(['external', 'internal', 'bevel', 'worm', 'sprocket', 'pulley'], {
    error: 'A gear is external, internal, bevel, worm, sprocket or pulley.',
  }),
  /** Across the tooth (normal module), mm: of a helical wheel the module across the axis is larger by 1 / cos β. */
  module: z.optional(positive('A module')),
  station,
  faceWidth: z.optional(positive('A face width')),
  material: z.optional(z.enum(MATERIALS, { error: `A material is one of ${MATERIALS.join(', ')}.` })),
  ...wheelFields,
});

export const meshSchema = z.strictObject({
  id: meshId,
  gears: z.tuple([gearId, gearId], { error: 'A mesh has two gears.' }),
  sense: z.optional(z.enum(['same', 'opposite'], { error: 'A sense is same or opposite.' })),
  efficiency: z.optional(efficiency),
  backEfficiency: z.optional(efficiency),
  selfLocking: z.optional(z.boolean({ error: 'selfLocking is true or false.' })),
  /** Working centre distance, mm, where it is given; else it follows from the wheels. */
  centre: z.optional(millimetres('A centre distance')),
});

const couplerBase = {
  id: couplerId,
  name,
};
const couplerTail = {
  style: z.optional(
    z.enum(COUPLER_STYLES, {
      error: 'A style is friction, dog, synchro, band, pawl, roller or pin.',
    }),
  ),
  capacity: z.optional(positive('A capacity')),
  station,
  /** Where its dogs, pawls or pins carry, mm from the axis. */
  radius: z.optional(millimetres('A radius')),
};
const joins = z.tuple([memberId, memberId], { error: 'A coupler joins two members.' });

export const couplerSchema = z.discriminatedUnion(
  'type',
  [
    z.strictObject({ ...couplerBase, type: z.literal('clutch'), joins, ...couplerTail }),
    z.strictObject({ ...couplerBase, type: z.literal('brake'), joins, ...couplerTail }),
    z.strictObject({
      ...couplerBase,
      type: z.literal('one-way'),
      joins,
      control: z.optional(z.enum(['always', 'selectable'], { error: 'A control is always or selectable.' })),
      ...couplerTail,
    }),
    z.strictObject({ ...couplerBase, type: z.literal('sliding-mesh'), mesh: meshId, ...couplerTail }),
  ],
  { error: 'A coupler is a clutch, brake, one-way or sliding-mesh.' },
);

const selectorSchema = z.strictObject({
  id: idOf<SelectorId>(),
  name,
  spans: list(z.strictObject({ coupler: couplerId, from: distance, to: distance }), LIMITS.couplers, 'spans'),
});

const positionSchema = z.strictObject({
  id: idOf<PositionId>(),
  name,
  engaged: list(couplerId, LIMITS.couplers, 'engaged couplers'),
  /** False where the position is no rung of the ladder: a variant of another, such as one with a brake held. */
  ladder: z.optional(z.literal(false, { error: 'ladder is false, or left out.' })),
});

/** What a check found and people chose to leave as it is, with why. `finding` names it, see core/checks. */
const setAsideSchema = z.strictObject({
  finding: text('Name the finding.').check(
    z.minLength(1, 'Name the finding.'),
    z.maxLength(1000, 'The name of a finding has at most 1000 characters.'),
  ),
  note: text('A note must be text.').check(z.maxLength(500, 'A note has at most 500 characters.')),
});

/**
 * The train document (format "tin-wheel/train", version 1). This schema is the source of truth for its
 * shape; docs/train.schema.json is generated from it. Rules that tie parts together (dangling ids,
 * impossible meshes) are in rules.ts.
 */
export const trainSchema = z.strictObject({
  format: z.literal('tin-wheel/train', { error: 'The format must be "tin-wheel/train".' }),
  version: z.literal(1, { error: 'The version must be 1.' }),
  name: name.check(z.minLength(1, 'Give the train a name.')),
  members: list(memberSchema, LIMITS.members, 'members'),
  gears: list(gearSchema, LIMITS.gears, 'gears'),
  meshes: list(meshSchema, LIMITS.meshes, 'meshes'),
  couplers: list(couplerSchema, LIMITS.couplers, 'couplers'),
  selectors: z.optional(list(selectorSchema, LIMITS.selectors, 'selectors')),
  positions: list(positionSchema, LIMITS.positions, 'positions'),
  input: inputId,
  outputs: list(memberId, LIMITS.outputs, 'outputs').check(z.minLength(1, 'Name at least one output.')),
  notes: z.optional(notes),
  efficiency: z.optional(efficiency),
  tipSpeedLimits: z.optional(
    z.partialRecord(z.enum(MATERIALS), positive('A tip speed'), { error: 'Tip speed limits name materials and m/s.' }),
  ),
  /** Of the basic rack, across the tooth, degrees: 20 where it is not said. */
  pressureAngle: z.optional(inRange('A pressure angle is from 10 to 35°.', 10, 35)),
  /** Of the basic rack, in modules: 1, 1.25 and 0.38 where they are not said (ISO 53, profile A). */
  addendum: z.optional(inRange('An addendum is from 0.5 to 1.5 modules.', 0.5, 1.5)),
  dedendum: z.optional(inRange('A dedendum is from 0.6 to 2 modules.', 0.6, 2)),
  rootRadius: z.optional(inRange('A root radius is from 0.05 to 0.5 modules.', 0.05, 0.5)),
  /** Clearance of a pair at its working circle, mm: half of it is taken off each wheel's teeth. */
  backlash: z.optional(inRange('A backlash is from 0 to 100 mm.', 0, 100)),
  /** From one station to the next along the axis, mm. */
  stationLength: z.optional(millimetres('The length of a station')),
  /** Modulus of elasticity of a material, N/mm², where it is not the usual one. */
  elasticity: z.optional(
    z.partialRecord(z.enum(MATERIALS), positive('A modulus of elasticity'), {
      error: 'Elasticity names materials and N/mm².',
    }),
  ),
  setAside: z.optional(list(setAsideSchema, LIMITS.setAside, 'findings set aside')),
});

/** Nothing of a document is ever written to: an edit makes a new one, which shares what did not change. */
export type Unchanging<T> = T extends string
  ? T
  : T extends readonly unknown[] | Readonly<Record<string, unknown>>
    ? { readonly [K in keyof T]: Unchanging<T[K]> }
    : T;

export type Train = Unchanging<z.infer<typeof trainSchema>>;
export type Member = Train['members'][number];
export type Gear = Train['gears'][number];
export type GearType = Gear['type'];
export type Mesh = Train['meshes'][number];
export type Coupler = Train['couplers'][number];
export type Position = Train['positions'][number];
