import * as z from 'zod/mini';
import { abs, compare, fromDecimal } from '../rational';
import { type Train, partsById } from '../train';
import { outcomeKey, type Behaviour } from './outcome';
import { required } from '../required';
import { parseJson, refuse, resultOf, type RefusedResult, type Result } from '../result';

const bound = z.number({ error: 'A bound is a number above 0.' }).check(z.gt(0, 'A bound is a number above 0.'));

const bounds = z.tuple([bound, bound], { error: 'A ratio lies between two bounds, the least and the most.' });
const LOOKS = ['ok', 'neutral', 'locked'] as const;
type Look = (typeof LOOKS)[number];

/** What was seen of a train, position by position, as a file (format "tin-wheel/seen", version 1). */
const seenSchema = z.strictObject({
  format: z.literal('tin-wheel/seen', { error: 'The format must be "tin-wheel/seen".' }),
  version: z.literal(1, { error: 'The version must be 1.' }),
  positions: z.optional(
    z.record(z.string(), z.enum(LOOKS, { error: 'A position was seen ok, neutral or locked.' }), {
      error: 'positions names positions with ok, neutral or locked.',
    }),
  ),
  ratios: z.optional(z.record(z.string(), bounds, { error: 'ratios names positions with two bounds.' })),
  /** Other engagements that were tried, beside the positions: how each was seen, or its ratio. */
  tried: z.optional(
    z.array(
      z.strictObject({
        engaged: z.array(z.string(), { error: 'engaged is a list of couplers.' }),
        seen: z.optional(z.enum(LOOKS, { error: 'An engagement was seen ok, neutral or locked.' })),
        ratio: z.optional(bounds),
      }),
      { error: 'tried is a list.' },
    ),
  ),
});

export type Seen = z.infer<typeof seenSchema>;

/** Reads what was seen out of a file's text, for a train whose positions it names. */
export function readSeen(text: string, train: Train): Result<Seen> {
  const json = parseJson(text);
  if (!json.ok) return json;
  const read = resultOf(seenSchema.safeParse(json.value));
  return read.ok ? (wrongIn(read.value, train) ?? read) : read;
}

function wrongIn({ positions = {}, ratios = {}, tried = [] }: Seen, train: Train): RefusedResult | null {
  const known = new Set(train.positions.map(({ id }) => id));
  for (const [place, named] of [
    ['positions', positions],
    ['ratios', ratios],
  ] as const)
    for (const id of Object.keys(named)) if (!known.has(id)) return refuse(`there is no position "${id}".`, [place]);
  for (const id of Object.keys(ratios))
    if (id in positions) return refuse(`position "${id}" stands under positions too.`, ['ratios']);
  for (const [id, [least, most]] of Object.entries(ratios))
    if (least > most) return refuse('the first bound is the least, the second the most.', ['ratios', id]);
  const couplers = new Set(train.couplers.map(({ id }) => id));
  for (const [i, { engaged, seen, ratio }] of tried.entries()) {
    for (const id of engaged)
      if (!couplers.has(id)) return refuse(`there is no coupler "${id}".`, ['tried', i, 'engaged']);
    if ((seen === undefined) === (ratio === undefined))
      return refuse('say how it was seen, or between which bounds its ratio is.', ['tried', i]);
  }
  return null;
}

/** One thing that was seen: what was engaged, and whether a behaviour would look like it. */
export interface Sighting {
  /** The position, or the couplers that were engaged. */
  readonly name: string;
  readonly engaged: readonly string[];
  readonly fits: (behaviour: Behaviour) => boolean;
}

/** What was seen, to be held against suspects. @param sound the train as it is computed */
export function sightingsOf(
  train: Train,
  { positions = {}, ratios = {}, tried = [] }: Seen,
  sound: Behaviour,
): readonly Sighting[] {
  const engagedIn = (id: string) => partsById(train).position(id).engaged;
  const looks = (engaged: readonly string[], seen: Look) => (behaviour: Behaviour) =>
    seen === 'ok' ? outcomeKey(behaviour(engaged)) === outcomeKey(sound(engaged)) : behaviour(engaged).status === seen;
  const within =
    (engaged: readonly string[], [least, most]: readonly [number, number]) =>
    (behaviour: Behaviour) => {
      const { ratio } = behaviour(engaged);
      return (
        ratio !== null && compare(fromDecimal(least), abs(ratio)) <= 0 && compare(abs(ratio), fromDecimal(most)) <= 0
      );
    };
  const sighting = (name: string, engaged: readonly string[], seen: Look | readonly [number, number]): Sighting => ({
    name,
    engaged,
    fits: typeof seen === 'string' ? looks(engaged, seen) : within(engaged, seen),
  });
  return [
    ...Object.entries(positions).map(([id, seen]) => sighting(id, engagedIn(id), seen)),
    ...Object.entries(ratios).map(([id, ratio]) => sighting(id, engagedIn(id), ratio)),
    ...tried.map(({ engaged, seen, ratio }) =>
      sighting(engaged.join(' + ') || 'nothing', engaged, seen ?? required(ratio)),
    ),
  ];
}
