import { lazy, type ComponentType } from 'react';
import type { TopicName } from '@/ui/help/topics';
import { insist } from '@/ui/on-demand';

/**
 * One side that a train is worked on from: a word in the bar, an address, and code that is loaded when it is first
 * opened.
 */
export interface Screen {
  /** Also what its help is told under. */
  readonly word: TopicName;
  /** What follows the train's own address; empty for the screen that stands there. */
  readonly segment: string;
  readonly question: string;
  readonly load: () => Promise<unknown>;
  readonly Screen: ComponentType;
}

/** A screen whose code comes when it is needed. */
export function screen(
  word: TopicName,
  segment: string,
  question: string,
  load: () => Promise<{ readonly Screen: ComponentType }>,
): Screen {
  return { word, segment, question, load, Screen: lazy(async () => ({ default: (await insist(load)).Screen })) };
}

const trainAddress = (id: string): string => `/trains/${encodeURIComponent(id)}`;

export const screenAddress = (id: string, { segment }: Pick<Screen, 'segment'>): string =>
  segment === '' ? trainAddress(id) : `${trainAddress(id)}/${segment}`;

/** The screen that an address names; undefined where it names none. */
export const screenAt = (screens: readonly Screen[], path: string): Screen | undefined =>
  screens.find(({ segment }) => segment === (path.split('/')[3] ?? ''));
