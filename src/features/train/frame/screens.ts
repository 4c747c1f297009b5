import { lazy, type ComponentType } from 'react';
import type { TopicName } from '@/help/topics';
import { retryImport } from '@/ui/on-demand';

/**
 * One side that a train is worked on from: a word in the bar, an address, and code that is loaded when it is first
 * opened.
 */
export interface TrainScreen {
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
  load: () => Promise<ComponentType>,
): TrainScreen {
  return { word, segment, question, load, Screen: lazy(async () => ({ default: await retryImport(load) })) };
}

const trainAddress = (id: string): string => `/trains/${encodeURIComponent(id)}`;

export const screenAddress = (id: string, { segment }: Pick<TrainScreen, 'segment'>): string =>
  segment === '' ? trainAddress(id) : `${trainAddress(id)}/${segment}`;

/** The screen that an address names; undefined where it names none. */
export const screenAt = (screens: readonly TrainScreen[], path: string): TrainScreen | undefined =>
  screens.find(({ segment }) => segment === (path.split('/')[3] ?? ''));
