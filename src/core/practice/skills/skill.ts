import type { Draw } from '../draw';
import type { AskedQuestion } from '../question';
import type { Subject } from '../subject';

/** Makes a question of one skill from a train; undefined where it gives none. */
export type AskSkill = (subject: Subject, draw: Draw) => AskedQuestion | undefined;
