import { parseJson, refuse, resultOf, type RefusedResult, type Result } from '../result';
import type { Train } from '../train';
import { MOST_SAMPLES, SAMPLE_S, scenarioSchema, type Scenario } from './scenario-schema';
import { required } from '../required';

/** Reads a scenario out of a file's text, for a train whose positions it names. */
export function readScenario(text: string, train: Train): Result<Scenario> {
  const json = parseJson(text);
  return json.ok ? readWrittenScenario(json.value, train) : json;
}

/** The same of a value that is no text any more. */
export function readWrittenScenario(json: unknown, train: Train): Result<Scenario> {
  const read = shapeOfScenario(json);
  return read.ok ? (wrongIn(read.value, train) ?? read) : read;
}

/** Whether a value has the shape of a scenario, for whatever train. */
export const shapeOfScenario = (json: unknown): Result<Scenario> => resultOf(scenarioSchema.safeParse(json));

/** What no schema sees: positions that are not there, and thresholds the wrong way round. */
function wrongIn(scenario: Scenario, train: Train): RefusedResult | null {
  const { order, start, rule, load, inertia } = scenario;
  const known = new Set(train.positions.map(({ id }) => id));
  const stray = order.find((id) => !known.has(id));
  if (stray !== undefined) return refuse(`there is no position "${stray}".`, ['order']);
  const twice = order.find((id, i) => order.indexOf(id) < i);
  if (twice !== undefined) return refuse(`position "${twice}" stands in it twice.`, ['order']);
  if (start && !order.includes(start.position))
    return refuse(`"${start.position}" is not in order.`, ['start', 'position']);
  if ((load.massKg ?? null) !== null && (load.wheelDiameterMm ?? null) === null)
    return refuse('a mass needs the diameter of its wheel or drum.', ['load', 'wheelDiameterMm']);
  if ((load.airNAt1MS ?? 0) > 0 && (load.wheelDiameterMm ?? null) === null)
    return refuse('air drag needs the diameter of the wheel.', ['load', 'wheelDiameterMm']);
  const nobody = Object.keys(inertia?.membersKgM2 ?? {}).find((id) => !train.members.some((one) => one.id === id));
  if (nobody !== undefined) return refuse(`there is no member "${nobody}".`, ['inertia', 'membersKgM2']);
  const samples = (scenario.durationS ?? 0) / (scenario.sampleS ?? SAMPLE_S);
  if (samples > MOST_SAMPLES)
    return refuse(
      `${Math.round(samples)} samples are asked for; a run keeps at most ` +
        `${MOST_SAMPLES}. Take a longer sampleS or a shorter durationS.`,
      ['sampleS'],
    );
  if (!rule) return null;
  const { detentOnNm, detentOffNm } = rule.detector ?? {};
  if ((detentOnNm ?? null) !== null && (detentOffNm ?? 0) >= required(detentOnNm))
    return refuse(
      `the detent takes the lever back at ${detentOffNm} N·m, ` +
        `which must lie below ${detentOnNm}, where it releases.`,
      ['rule', 'detector', 'detentOffNm'],
    );
  for (const name of ['down', 'up'] as const)
    for (const id of Object.keys(rule[name] ?? {}))
      if (!order.includes(id)) return refuse(`position "${id}" is not in order.`, ['rule', `${name}`]);
  const scheduled = rule.schedule?.find(([, id]) => !order.includes(id));
  if (scheduled) return refuse(`position "${scheduled[1]}" is not in order.`, ['rule', 'schedule']);
  return wrongWayRound(rule, order);
}

/** In one position: by speed it is left downward below and upward above; by torque the other way round. */
function wrongWayRound(
  { cue, down = {}, up = {} }: NonNullable<Scenario['rule']>,
  order: readonly string[],
): RefusedResult | null {
  if (cue === 'hand') return null;
  for (const id of order) {
    const [low, high] = cue === 'speed' ? [down[id], up[id]] : [up[id], down[id]];
    if (low !== undefined && high !== undefined && low >= high)
      return cue === 'speed'
        ? refuse(
            `position "${id}" is left upward at ${high}, which must lie above ${low}, where it is left downward.`,
            ['rule', 'up', id],
          )
        : refuse(
            `position "${id}" is left downward at ${high} N·m, which must lie above ${low}, where it is left upward.`,
            ['rule', 'down', id],
          );
  }
  return null;
}
