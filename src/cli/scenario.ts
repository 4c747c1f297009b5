import Papa from 'papaparse';
import { toFraction } from '@/core/rational';
import {
  interlocksOf,
  pointsOf,
  readScenario,
  runScenario,
  samplesOf,
  travelOf,
  type Interlock,
  type Places,
  type Scenario,
} from '@/core/shifting';
import type { Train } from '@/core/train';
import { listed } from '@/core/words';
import { UsageError } from './options';
import { readText } from './read-text';
import { refusalText } from '@/core/result';

const MOST_BYTES = 2_000_000;

/** Reads the scenario of a command for a train. @throws UsageError */
export function readScenarioFile(file: string | undefined, train: Train): Scenario {
  if (file === undefined) throw new UsageError('--scenario: name the scenario file.');
  const read = readScenario(readText(file, MOST_BYTES, 'a scenario'), train);
  if (!read.ok) throw new UsageError(`${file}: ${refusalText(read)}`);
  return read.value;
}

/** Operating points and shift points as JSON. */
export const pointsJson = (train: Train, file: string | undefined): unknown =>
  explained(file, () => {
    const { positions, shifts } = pointsOf(train, readScenarioFile(file, train));
    const none = { downAt: null, landsAt: null, upAbove: null };
    return {
      positions: Object.fromEntries(positions),
      shifts: shifts.map(({ from, to, r, point, others }) => ({
        from,
        to,
        r,
        ...(point ?? none),
        ...(others.length > 0 && { others }),
      })),
    };
  });

/** A run as JSON: what happened, where it ended, where the energy went. */
export const runJson = (train: Train, file: string | undefined): unknown =>
  explained(file, () => {
    const { events, final, energy, verdicts, cut } = runScenario(train, readScenarioFile(file, train));
    return { events, final, energy, verdicts, ...cut };
  });

/** The samples of a run as CSV. */
export const runCsv = (train: Train, file: string | undefined): string =>
  explained(file, () => {
    const scenario = readScenarioFile(file, train);
    const { traces } = runScenario(train, scenario);
    return `${Papa.unparse([...samplesOf(traces, scenario.order)], { newline: '\n' })}\n`;
  });

/**
 * What each selector's travel gives, stretch by stretch, and with which places of others it locks, as JSON. @throws
 * UsageError
 */
export function travelJson(train: Train, at: Places): unknown {
  const selectors = (train.selectors ?? []).map(({ id }) => id);
  const unknown = [...at.keys()].find((id) => !selectors.includes(id));
  if (unknown !== undefined)
    throw new UsageError(
      `--at: there is no selector "${unknown}". ` +
        `${selectors.length === 0 ? 'This train has none.' : `This train has ${listed(selectors)}.`}`,
    );
  const interlocks = interlocksOf(train);
  return Object.fromEntries(
    [...travelOf(train, train.selectors, at)].map(([selector, stretches]) => [
      selector,
      stretches.map(({ ratio, ...stretch }) => {
        const locksWith = interlocks.flatMap(({ first, second }) =>
          isAt(first, selector, stretch) ? [second] : isAt(second, selector, stretch) ? [first] : [],
        );
        return { ...stretch, ratio: ratio && toFraction(ratio), ...(locksWith.length > 0 && { locksWith }) };
      }),
    ]),
  );
}

const isAt = (place: Interlock['first'], selector: string, { fromMm }: { readonly fromMm: number }): boolean =>
  place.selector === selector && place.fromMm === fromMm;

function explained<T>(file: string | undefined, make: () => T): T {
  try {
    return make();
  } catch (error) {
    if (error instanceof RangeError) throw new UsageError(`${file}: ${error.message}`);
    throw error;
  }
}
