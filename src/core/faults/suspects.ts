import type { Train } from '../train';
import { singleFaults, type Fault } from './hypotheses';
import { behavioursOf, type Behaviour } from './outcome';
import { sightingsOf, type Seen, type Sighting } from './seen';

/** What could be wrong, and how much of what was seen it explains. */
export interface Suspect {
  readonly faults: readonly Fault[];
  /** Sightings that it explains. */
  readonly agrees: number;
  readonly of: number;
  /** The first sighting that it does not explain; null where it explains all. */
  readonly failsOn: string | null;
  readonly behaviour: Behaviour;
}

export interface Suspected {
  /**
   * By how much they explain, then by how few parts; pairs only where no single part explains everything, and only
   * those that do.
   */
  readonly suspects: readonly Suspect[];
  /** Nothing needs to be wrong: the sound train explains everything. */
  readonly sound: boolean;
  readonly sightings: readonly Sighting[];
}

/** Told on the way: how far the pairs are, 0 to 1. */
export type Tell = (part: number) => void;

/**
 * Every single fault, and where none explains everything every pair, solved like any other train and held against what
 * was seen.
 */
export function suspectsFor(train: Train, seen: Seen, tell?: Tell): Suspected {
  const behavioursFor = behavioursOf(train);
  const soundly = behavioursFor([]);
  const sightings = sightingsOf(train, seen, soundly);
  const faults = singleFaults(train);
  const singles = faults
    .map((fault) => suspect([fault], behavioursFor([fault]), sightings))
    .sort((a, b) => b.agrees - a.agrees);
  const sound = sightings.every(({ fits }) => fits(soundly));
  const explained = sound || singles.some(({ agrees, of }) => agrees === of);
  if (explained || sightings.length === 0) return { suspects: singles, sound, sightings };
  const pairs: Suspect[] = [];
  faults.forEach((first, i) => {
    tell?.(i / faults.length);
    for (const second of faults.slice(i + 1)) {
      if (excludeEachOther(first, second)) continue;
      const behaviour = behavioursFor([first, second]);
      if (sightings.every(({ fits }) => fits(behaviour))) pairs.push(suspect([first, second], behaviour, sightings));
    }
  });
  return { suspects: [...pairs, ...singles], sound, sightings };
}

function suspect(faults: readonly Fault[], behaviour: Behaviour, sightings: readonly Sighting[]): Suspect {
  const failing = sightings.filter(({ fits }) => !fits(behaviour));
  return {
    faults,
    agrees: sightings.length - failing.length,
    of: sightings.length,
    failsOn: failing[0]?.name ?? null,
    behaviour,
  };
}

/** A part cannot be stuck on and never engage. */
const excludeEachOther = (a: Fault, b: Fault): boolean =>
  a.part === b.part &&
  a.fault !== 'mesh-lost' &&
  b.fault !== 'mesh-lost' &&
  a.fault !== 'member-held' &&
  b.fault !== 'member-held';
