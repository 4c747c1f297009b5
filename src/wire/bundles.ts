import { ask, askFile } from './client';
import type { BundlePlan, BundleRestored } from './replies';

/** What is to be done with a train that is there already. */
export type BundleChoice = 'skip' | 'both' | 'replace';

const bundleAddress = (ids: readonly string[]): string =>
  `/api/bundle${ids.length === 0 ? '' : `?${new URLSearchParams(ids.map((id) => ['train', id])).toString()}`}`;

/** Trains, or everything there is, as one zip; where that is too much for one, why. */
export const fetchBundlePlan = (ids: readonly string[]) => askFile(bundleAddress(ids));

/** What a bundle would bring; nothing is changed. */
export const planBundle = (zip: Blob) =>
  ask<{ plan: BundlePlan }>(['plan'], '/api/bundle', { method: 'POST', body: zip });

/** Brings what is in a bundle; a train that is there already is left as it is unless something else is said. */
export const postBundle = (zip: Blob, choices: Readonly<Record<string, BundleChoice>>) =>
  ask<{ restored: BundleRestored }>(
    ['restored'],
    `/api/bundle?${new URLSearchParams([
      ['restore', ''],
      ...Object.entries(choices).map(([id, choice]) => [`train-${id}`, choice]),
    ]).toString()}`,
    { method: 'POST', body: zip },
  );
