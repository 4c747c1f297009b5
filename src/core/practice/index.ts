export { practise, type Practice } from './practice';
export type { Answer, Question, Slip } from './question';
export { SKILLS, type Skill } from './skills';
