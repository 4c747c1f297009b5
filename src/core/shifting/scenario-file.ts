import { issueText, type Train } from '../train';
import { scenarioSchema, type Scenario } from './scenario-schema';

export type ReadScenario =
  { readonly ok: true; readonly value: Scenario } | { readonly ok: false; readonly message: string };

/** Reads a scenario out of a file's text, for a train whose positions it names. What is wrong is one sentence that names the place. */
export function readScenario(text: string, train: Train): ReadScenario {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return { ok: false, message: `This is not JSON: ${error instanceof Error ? error.message : String(error)}` };
  }
  const parsed = scenarioSchema.safeParse(json);
  if (!parsed.success) return { ok: false, message: issueText(parsed.error.issues[0]!) };
  const wrong = wrongIn(parsed.data, train);
  return wrong === null ? { ok: true, value: parsed.data } : { ok: false, message: wrong };
}

/** What no schema sees: positions that are not there, and thresholds the wrong way round. */
function wrongIn({ order, start, rule, load }: Scenario, train: Train): string | null {
  const known = new Set(train.positions.map(({ id }) => id));
  const stray = order.find((id) => !known.has(id));
  if (stray !== undefined) return `order: there is no position "${stray}".`;
  const twice = order.find((id, i) => order.indexOf(id) < i);
  if (twice !== undefined) return `order: position "${twice}" stands in it twice.`;
  if (start && !order.includes(start.position)) return `start.position: "${start.position}" is not in order.`;
  if ((load.massKg ?? null) !== null && (load.wheelDiameterMm ?? null) === null)
    return 'load.wheelDiameterMm: a mass needs the diameter of its wheel or drum.';
  if (!rule) return null;
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
        ? `rule.up.${id}: position "${id}" is left upward at ${high}, which must lie above ${low}, where it is left downward.`
        : `rule.down.${id}: position "${id}" is left downward at ${high} N·m, which must lie above ${low}, where it is left upward.`;
  }
  return null;
}
