import { practise, SKILLS, type Skill } from '@/core/practice';
import type { Train } from '@/core/train';
import { UsageError } from './options';

const MOST_QUESTIONS = 1000;

interface Asked {
  readonly seed?: string | undefined;
  readonly count?: string | undefined;
  readonly skill?: string | undefined;
}

/** Questions from a train, with answers, slips and working, as JSON. */
export function practiceJson(train: Train, { seed = '1', count = '10', skill }: Asked): unknown {
  if (skill !== undefined && !(skill in SKILLS))
    throw new UsageError(
      `--skill: there is no skill "${skill.slice(0, 40)}". The skills are ${Object.keys(SKILLS).join(', ')}.`,
    );
  return practise(train, {
    seed: whole('--seed', seed, 0, 2 ** 32 - 1),
    count: whole('--count', count, 1, MOST_QUESTIONS),
    ...(skill !== undefined && { skill: skill as Skill }),
  });
}

function whole(option: string, text: string, least: number, most: number): number {
  const value = Number(text);
  if (!/^\d+$/.test(text) || value < least || value > most)
    throw new UsageError(`${option} is a whole number from ${least} to ${most}.`);
  return value;
}
