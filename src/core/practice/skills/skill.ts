import type { Draw } from '../draw';
import type { Asked } from '../question';
import type { Subject } from '../subject';

/** Makes a question of one skill from a train; undefined where it gives none. */
export type Ask = (subject: Subject, draw: Draw) => Asked | undefined;
