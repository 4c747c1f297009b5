export {
  bestHunt,
  faultHunt,
  huntStanding,
  showingFaults,
  type Hunt,
  type HuntStanding,
  type HuntTest,
} from './fault-hunt';
export { LEVEL_NAMES, LEVELS, levelOf, type Level } from './level';
export { mark, type GivenAnswer, type Mark } from './mark';
export { skillsWithoutQuestions, drill, practise, questionOf, type DrillQuestion, type PracticeSet } from './practice';
export type { QuestionAnswer, PracticeQuestion, Slip, SlipName } from './question';
export { RANDOM_KINDS, randomTrain } from './random-train';
export { NO_PAIR, rolesTable, type RoleCell, type RolesRow } from './roles-table';
export { SKILL_NAMES, SKILLS, type Skill } from './skills';
export { SLIPS } from './slip-words';
export { subjectOf, type Subject } from './subject';
export { readWorksheet, worksheetOf, worksheetText, type Worksheet, type WorksheetFile } from './worksheet';
