import { messageOf } from '@/core/message-of';
import { issueText, pathText, type Train } from '../train';
import { MOST_SAMPLES, SAMPLE_S, scenarioSchema, type Scenario } from './scenario-schema';
import { itemAt, required } from '../required';

export type ReadScenario =
  | { readonly ok: true; readonly value: Scenario }
  | {
      readonly ok: false;
      /** In one line, its place first. */
      readonly message: string;
      /** The field that it is about, "motor.stallTorqueNm"; empty for the whole. */
      readonly place: string;
    };

/**
 * Reads a scenario out of a file's text, for a train whose positions it names. What is wrong is one sentence that names
 * the place.
 */
export function readScenario(text: string, train: Train): ReadScenario {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    const message = `This is not JSON: ${messageOf(error)}`;
    return { ok: false, message, place: '' };
  }
  return readWrittenScenario(json, train);
}

/** The same of a value that is no text any more. */
export function readWrittenScenario(json: unknown, train: Train): ReadScenario {
  const read = shapeOfScenario(json);
  const wrong = read.ok ? wrongIn(read.value, train) : null;
  return wrong === null ? read : { ok: false, message: wrong, place: wrong.slice(0, wrong.indexOf(':')) };
}

/** Whether a value has the shape of a scenario, for whatever train. */
export function shapeOfScenario(json: unknown): ReadScenario {
  const parsed = scenarioSchema.safeParse(json);
  if (parsed.success) return { ok: true, value: parsed.data };
  const issue = itemAt(parsed.error.issues, 0);
  return { ok: false, message: issueText(issue), place: pathText(issue.path as (string | number)[]) };
}

/** What no schema sees: positions that are not there, and thresholds the wrong way round. */
function wrongIn(scenario: Scenario, train: Train): string | null {
  const { order, start, rule, load, inertia } = scenario;
  const known = new Set(train.positions.map(({ id }) => id));
  const stray = order.find((id) => !known.has(id));
  if (stray !== undefined) return `order: there is no position "${stray}".`;
  const twice = order.find((id, i) => order.indexOf(id) < i);
  if (twice !== undefined) return `order: position "${twice}" stands in it twice.`;
  if (start && !order.includes(start.position)) return `start.position: "${start.position}" is not in order.`;
  if ((load.massKg ?? null) !== null && (load.wheelDiameterMm ?? null) === null)
    return 'load.wheelDiameterMm: a mass needs the diameter of its wheel or drum.';
  if ((load.airNAt1MS ?? 0) > 0 && (load.wheelDiameterMm ?? null) === null)
    return 'load.wheelDiameterMm: air drag needs the diameter of the wheel.';
  const nobody = Object.keys(inertia?.membersKgM2 ?? {}).find((id) => !train.members.some((one) => one.id === id));
  if (nobody !== undefined) return `inertia.membersKgM2: there is no member "${nobody}".`;
  const samples = (scenario.durationS ?? 0) / (scenario.sampleS ?? SAMPLE_S);
  if (samples > MOST_SAMPLES)
    return (
      `sampleS: ${Math.round(samples)} samples are asked for; a run keeps at most ` +
      `${MOST_SAMPLES}. Take a longer sampleS or a shorter durationS.`
    );
  if (!rule) return null;
  const { detentOnNm, detentOffNm } = rule.detector ?? {};
  if ((detentOnNm ?? null) !== null && (detentOffNm ?? 0) >= required(detentOnNm))
    return (
      `rule.detector.detentOffNm: the detent takes the lever back at ${detentOffNm} N·m, ` +
      `which must lie below ${detentOnNm}, where it lets go.`
    );
  for (const name of ['down', 'up'] as const)
    for (const id of Object.keys(rule[name] ?? {}))
      if (!order.includes(id)) return `rule.${name}: position "${id}" is not in order.`;
  const scheduled = rule.schedule?.find(([, id]) => !order.includes(id));
  if (scheduled) return `rule.schedule: position "${scheduled[1]}" is not in order.`;
  return wrongWayRound(rule, order);
}

/** In one position: by speed it is left downward below and upward above; by torque the other way round. */
function wrongWayRound(
  { cue, down = {}, up = {} }: NonNullable<Scenario['rule']>,
  order: readonly string[],
): string | null {
  if (cue === 'hand') return null;
  for (const id of order) {
    const [low, high] = cue === 'speed' ? [down[id], up[id]] : [up[id], down[id]];
    if (low !== undefined && high !== undefined && low >= high)
      return cue === 'speed'
        ? `rule.up.${id}: position "${id}" is left upward at ${high}, which must ` +
            `lie above ${low}, where it is left downward.`
        : `rule.down.${id}: position "${id}" is left downward at ${high} N·m, which ` +
            `must lie above ${low}, where it is left upward.`;
  }
  return null;
}
