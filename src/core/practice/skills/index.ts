import { backward } from './backward';
import { change } from './change';
import { faster } from './faster';
import { held } from './held';
import { idle } from './idle';
import { order } from './order';
import { pair } from './pair';
import { ratio } from './ratio';
import type { Ask } from './skill';
import { speed } from './speed';
import { status } from './status';
import { tooth } from './tooth';
import { torque } from './torque';
import { torqueChange } from './torque-change';
import { turns } from './turns';
import { way } from './way';

/** What can be asked of a train, by name; the simple first. */
export const SKILLS = {
  pair,
  way,
  faster,
  'torque-change': torqueChange,
  ratio,
  turns,
  speed,
  torque,
  held,
  idle,
  status,
  change,
  order,
  backward,
  tooth,
} as const satisfies Readonly<Record<string, Ask>>;

export type Skill = keyof typeof SKILLS;
