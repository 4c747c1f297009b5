import { TRAIN_FIGURES, type GearType, type TrainFigure } from '../train';

/** What a statement can be, by its first word. */
export type Kind =
  | 'train'
  | 'input'
  | 'output'
  | 'member'
  | 'gear'
  | 'set'
  | 'pair'
  | 'bevel'
  | 'worm'
  | 'chain'
  | 'belt'
  | 'brake'
  | 'clutch'
  | 'one-way'
  | 'slide'
  | 'sleeve'
  | 'position'
  | 'efficiency'
  | TrainFigure
  | 'tip speed'
  | 'elasticity'
  | 'set aside'
  | 'note';

/** The first words of statements, in this project's words and in other schools'; the longest that fits counts. */
export const FIRST_WORDS: Readonly<Record<string, Kind>> = {
  train: 'train',
  input: 'input',
  output: 'output',
  set: 'set',
  pair: 'pair',
  brake: 'brake',
  clutch: 'clutch',
  'one-way': 'one-way',
  position: 'position',
  inputs: 'input',
  outputs: 'output',
  member: 'member',
  members: 'member',
  shaft: 'member',
  gear: 'gear',
  wheel: 'gear',
  'set aside': 'set aside',
  'planetary set': 'set',
  epicyclic: 'set',
  mesh: 'pair',
  bevel: 'bevel',
  bevels: 'bevel',
  worm: 'worm',
  chain: 'chain',
  belt: 'belt',
  'one-way clutch': 'one-way',
  roller: 'one-way',
  freewheel: 'one-way',
  sprag: 'one-way',
  'sliding mesh': 'slide',
  slide: 'slide',
  sleeve: 'sleeve',
  drum: 'sleeve',
  selector: 'sleeve',
  efficiency: 'efficiency',
  ...(Object.fromEntries(TRAIN_FIGURES.map(({ key, word }) => [word, key])) as Record<string, TrainFigure>),
  'tip speed': 'tip speed',
  elasticity: 'elasticity',
  note: 'note',
  notes: 'note',
};

/** What stands in a set beside its planets, and what carries these. */
export const ROLES: Readonly<Record<string, 'sun' | 'planet' | 'ring' | 'carrier'>> = {
  sun: 'sun',
  planet: 'planet',
  planets: 'planet',
  ring: 'ring',
  annulus: 'ring',
  carrier: 'carrier',
  arm: 'carrier',
  spider: 'carrier',
};

/** What kind a gear is; external where nothing is said. */
export const GEAR_TYPES: Readonly<Record<string, GearType>> = {
  external: 'external',
  inside: 'internal',
  internal: 'internal',
  bevel: 'bevel',
  worm: 'worm',
  sprocket: 'sprocket',
  pulley: 'pulley',
};

/** How a gear's kind is written behind its count. */
export const TYPE_WORDS: Readonly<Record<GearType, string>> = {
  external: 'external',
  internal: 'inside',
  bevel: 'bevel',
  worm: 'worm',
  sprocket: 'sprocket',
  pulley: 'pulley',
};

/** The kinds of the first gear of a statement and of the others, where they do not say. */
export const USUAL_TYPES = {
  gear: ['external', 'external'],
  set: ['external', 'external'],
  pair: ['external', 'external'],
  bevel: ['bevel', 'bevel'],
  worm: ['worm', 'external'],
  chain: ['sprocket', 'sprocket'],
  belt: ['pulley', 'pulley'],
} as const satisfies Partial<Record<Kind, readonly [GearType, GearType]>>;

export type GearKind = keyof typeof USUAL_TYPES;

/** Words that a figure follows behind a comma; in a name they would be a comma that was forgotten. */
export const FIGURE_WORDS: ReadonlySet<string> = new Set([
  'module',
  'width',
  'station',
  'efficiency',
  'capacity',
  'limit',
  'copies',
]);

/** What leads from gear to gear, and from member to member. */
export const LINKS = ['drives', 'with', 'pushes'] as const;

/** "x3" or "×3": so many equal planets. */
export const COPIES = /^[x×](\d+)$/i;

/** The member that always stands. */
export const FRAME_WORDS: ReadonlySet<string> = new Set(['frame', 'the frame']);

export const NOTHING = 'nothing';
export const NO_LADDER = 'not in the ladder';

/** All words that can begin a statement. */
export const BEGINNINGS: readonly string[] = Object.keys(FIRST_WORDS);

/** Words that link names. */
export const LINKING: readonly string[] = [...LINKS, 'on', 'same', 'no', 'by', 'to'];

/** Words that lead what stands between two commas. */
export const LEADS: readonly string[] = [
  ...Object.keys(ROLES),
  ...FIGURE_WORDS,
  'same',
  'opposite',
  'not',
  'back',
  'named',
  'colour',
  'carried',
  'bearings',
  'shift',
  'helix',
  'centre',
];
