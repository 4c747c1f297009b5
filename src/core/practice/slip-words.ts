import type { SlipName } from './question';

/** What a usual slip is called, and what it was, in a sentence to the one who made it. */
export const SLIPS: Readonly<Record<SlipName, { readonly name: string; readonly says: string }>> = {
  'upside-down': {
    name: 'upside down',
    says: 'This is the ratio upside down. in/out is driven over driver: turns that go in for one that comes out.',
  },
  'idler-counted': {
    name: 'idler counted as a stage',
    says:
      'An idler was counted as a stage. It passes on what it gets: its teeth ' +
      'come in once above and once below, and cancel.',
  },
  'stage-left-out': {
    name: 'a stage left out',
    says: 'A stage is missing. Follow the power from the input to the output and multiply every pair it goes through.',
  },
  added: {
    name: 'ratios added',
    says: 'The ratios of the stages were added. Stages one behind the other multiply.',
  },
  'own-turn-forgotten': {
    name: 'the carrier’s own turn',
    says:
      'The carrier’s own turn is missing, or was counted where there is none: with the ' +
      'ring held it is 1 + r, with the carrier held it is r.',
  },
  'ring-sun-swapped': {
    name: 'ring and sun swapped',
    says:
      'Ring and sun were taken for one another: r is the ring’s teeth over the ' +
      'sun’s, and what is held is not what is driven.',
  },
  'direct-calculated': {
    name: 'direct drive calculated',
    says:
      'Input and output are locked together here: that is 1, whatever the ' +
      'teeth beside it would give. They only turn along.',
  },
  'way-of-a-pair': {
    name: 'the way of a pair',
    says:
      'Count the pairs of external gears the power goes through: each one ' +
      'reverses the direction, an idler makes it two.',
  },
  'internal-sign': {
    name: 'sign of an internal pair',
    says:
      'There is an internal gear in it. A gear inside a ring turns the same way as the ' +
      'ring; only two external gears turn against one another.',
  },
  'torque-like-speed': {
    name: 'torque moved like speed',
    says:
      'Torque was moved like speed. What turns slower pulls harder: speed ' +
      'is divided by the ratio, torque multiplied.',
  },
  'factor-of-ten': {
    name: 'a factor of ten',
    says: 'It is ten times too large or too small: look at the decimal point.',
  },
  'one-tooth-on-the-other': {
    name: 'the tooth on the other gear',
    says: 'The tooth was put on the mate. More teeth on the driven gear make the ratio larger, on the driver smaller.',
  },
  'half-a-change': {
    name: 'half of a change',
    says: 'That is half of the change: one coupler is released and another engaged.',
  },
  'the-other-way-round': {
    name: 'the wrong direction',
    says: 'The order is right, but from the other end.',
  },
};
