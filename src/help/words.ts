/** A word as it is used here, with what others call the same thing. */
export interface Word {
  readonly word: string;
  readonly means: string;
  readonly also?: string;
}

/** The words of the product, each explained once. */
export const WORDS = {
  member: {
    word: 'Member',
    means: 'whatever turns as one piece: a shaft with all that is fixed to it, a carrier, a ring',
    also: 'part, element',
  },
  coupler: {
    word: 'Coupler',
    means:
      'what joins two members, or a member and the frame, when it is engaged: ' +
      'clutch, brake, one-way clutch, sliding mesh',
    also: 'element, shifter',
  },
  clutch: {
    word: 'Clutch, brake',
    means: 'a clutch joins two members so that they turn as one; a brake holds a member to the frame',
    also: 'band (a brake), dog or sleeve (a clutch)',
  },
  oneWay: {
    word: 'One-way clutch',
    means: 'holds one way by itself and overruns the other way',
    also: 'freewheel, sprag, roller, pawls',
  },
  position: {
    word: 'Position',
    means: 'what a shifter selects: R, N, 1, 2, 3; the set of couplers that are engaged',
    also: 'gear, speed',
  },
  ratio: {
    word: 'Ratio',
    means:
      'turns of the input for one of the output (in/out), or the inverse; ' +
      'every ratio says which. Ideal torque grows by in/out',
  },
  step: {
    word: 'Step, spread',
    means:
      'a step is one position’s ratio over its neighbour’s; the spread is the largest forward ratio over the smallest',
  },
  driver: {
    word: 'Driver, driven',
    means:
      'of two meshing gears the one that pushes and the one that is pushed; it can change from position to position',
    also: 'drive, input',
  },
  idler: { word: 'Idler', means: 'a gear between two others: it reverses the direction and leaves the ratio alone' },
  countershaft: {
    word: 'Countershaft',
    means: 'a shaft beside the main ones that carries gears from one to the other',
    also: 'layshaft, cluster',
  },
  set: {
    word: 'Planetary set',
    means: 'sun, ring, and planets on a carrier; hold one and the other two have a ratio',
    also: 'epicyclic; ring: annulus',
  },
  locked: {
    word: 'Locked',
    means: 'so much is engaged that nothing can turn; the smallest set of couplers that tie up is named',
    also: 'tied up, jammed',
  },
  neutral: { word: 'Neutral', means: 'the input turns and no output is driven' },
  openTorque: {
    word: 'Torque open',
    means: 'motion is known, torque is not: it depends on what the other outputs take',
  },
  block: { word: 'One block', means: 'a set whose members all turn alike: nothing rolls in it, and nothing is lost' },
  recirculating: {
    word: 'Power going round',
    means: 'power that circles inside the train and loads its meshes more than what passes through',
  },
  oneForOne: {
    word: 'One for one',
    means: 'a shift that lets one coupler go and puts one in; more at once is hard to time',
  },
  ideal: {
    word: 'Ideal steps',
    means: 'even: every step alike; progressive: each smaller than the last by one factor',
  },
  influence: { word: 'Influence', means: 'by how much every ratio changes with one tooth more on a gear' },
  stall: {
    word: 'Stall',
    means: 'the load is as large as the torque there: it stands, and a motor that is held there burns',
  },
  band: {
    word: 'Band',
    means: 'between the points for up and down, so that the shifter does not hunt to and fro',
    also: 'hysteresis',
  },
  overlap: {
    word: 'Overlap, gap',
    means: 'along a selector’s travel two couplers engage at once (overlap: it jams) or none does (gap: neutral)',
  },
  proven: {
    word: 'Proven best',
    means: 'every choice within the limits was covered, so nothing better exists within them',
  },
  hunting: {
    word: 'Hunting tooth',
    means: 'counts without a common factor: each tooth meets all of the other wheel before it meets the same again',
  },
  ppm: { word: 'ppm', means: 'parts in a million: 12 ppm are one turn in about 83,000' },
  resolution: {
    word: 'Resolution',
    means: 'what a reading cannot tell apart: half a mark, the last digit. Every reading is an interval',
  },
  verdict: {
    word: 'Agrees, cannot tell',
    means:
      'it agrees when the computed figure lies in the reading’s interval; it ' +
      'cannot tell when another position’s does as well',
  },
  correction: {
    word: 'Correction',
    means: 'a slip is corrected by a new entry with its reason; the first stays to be seen',
  },
  suspect: {
    word: 'Suspect',
    means: 'a fault that would explain everything seen; the next test is the one that parts most of them',
  },
  slip: {
    word: 'Slip',
    means: 'the usual mistake that leads to the number you gave: ratio upside down, a pair left out',
  },
  roles: {
    word: 'Roles table',
    means: 'for each pair in each position: which gear drives, which is driven, which only turns along',
  },
  module: { word: 'Module', means: 'pitch diameter over teeth, in mm; wheels that mesh have the same' },
  profile: {
    word: 'Outline',
    means:
      'tooth shape as a rack of 20° (or your angle) would cut it, with its root ' +
      'fillet; STL is the solid, DXF and SVG the outline',
  },
  bundle: {
    word: 'Bundle',
    means: 'trains with all that belongs to them in one file, to move them elsewhere or keep them safe',
  },
  revision: {
    word: 'Revision',
    means: 'a saved revision of a train, named or by itself; any can be compared and brought back',
  },
} as const satisfies Record<string, Word>;

export type WordName = keyof typeof WORDS;
