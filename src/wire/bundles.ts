import { ask, askFile } from './client';

/** What is to be done with a train that is there already. */
export type BundleChoice = 'skip' | 'both' | 'replace';

/** Trains, or everything there is, as one zip; where that is too much for one, why. */
export const fetchBundlePlan = (ids: readonly string[]) =>
  askFile(
    'readBundle',
    {},
    ids.map((id) => ['train', id] as const),
  );

/** What a bundle would bring; nothing is changed. */
export const planBundle = (zip: Blob) => ask('planBundle', {}, { body: zip });

/** Brings what is in a bundle; a train that is there already is left as it is unless something else is said. */
export const postBundle = (zip: Blob, choices: Readonly<Record<string, BundleChoice>>) =>
  ask(
    'restoreBundle',
    {},
    {
      body: zip,
      query: [
        ['restore', ''] as const,
        ...Object.entries(choices).map(([id, choice]) => [`train-${id}`, choice] as const),
      ],
    },
  );
