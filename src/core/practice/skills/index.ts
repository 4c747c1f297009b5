import { backward } from './backward';
import { basic } from './basic';
import { block } from './block';
import { change } from './change';
import { drives } from './drives';
import { askElements } from './elements';
import { faster } from './faster';
import { held } from './held';
import { idle } from './idle';
import { load } from './load';
import { order } from './order';
import { overrun } from './overrun';
import { pair } from './pair';
import { path } from './path';
import { ratio } from './ratio';
import { removed } from './removed';
import type { AskSkill } from './skill';
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
  drives,
  ratio,
  basic,
  turns,
  speed,
  torque,
  load,
  held,
  idle,
  block,
  overrun,
  path,
  status,
  elements: askElements,
  change,
  order,
  backward,
  removed,
  tooth,
} as const satisfies Readonly<Record<string, AskSkill>>;

export type Skill = keyof typeof SKILLS;

/** What a skill is called where it is chosen. */
export const SKILL_NAMES: Readonly<Record<Skill, string>> = {
  pair: 'Ratio of a pair',
  way: 'Which way it turns',
  faster: 'Faster or slower',
  'torque-change': 'More or less torque',
  drives: 'Who drives whom',
  ratio: 'Ratio of a position',
  basic: 'A planetary set by itself',
  turns: 'Turns for turns of the crank',
  speed: 'Speed of a member',
  torque: 'Torque at the output',
  load: 'Torque for a load',
  held: 'What stands still',
  idle: 'What turns idle',
  block: 'What turns as one block',
  overrun: 'One-way clutches',
  path: 'Where power goes',
  status: 'Drive, neutral or locked',
  elements: 'Which elements give it',
  change: 'From one position to another',
  order: 'Positions in order',
  backward: 'Driven from the output',
  removed: 'A gear taken out',
  tooth: 'One tooth more',
};
