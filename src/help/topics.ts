import type { CautionName } from '@/core/cautions';
import type { WordName } from './words';

/** What someone who has just opened a screen wants to know of it. */
export interface Topic {
  /** The question that the screen answers. */
  readonly question: string;
  /** What to do there, in the order people do it. */
  readonly steps: readonly string[];
  readonly words: readonly WordName[];
  /** The drawing’s symbols are explained too. */
  readonly symbols?: true;
  /** Ways of working that can be switched here, and what each means. */
  readonly choices?: readonly (readonly [name: string, means: string])[];
  readonly cautions: readonly CautionName[];
}

const RATIO = [
  'Ratio in/out or out/in',
  'turns of the input for one of the output, as torque grows; or turns of the ' +
    'output for one of the input. In the bar, for every screen.',
] as const;

export const TOPICS = {
  Shelf: {
    question: 'Which trains do I keep?',
    steps: [
      'Open a train by its picture. The menu on its card renames, copies, saves ' +
        'or deletes it; what is deleted can be put back.',
      'New train begins with a pattern (a pair, a countershaft box, a planetary set) with your own counts, ' +
        'or with a text that is pasted or written.',
      'Import reads a train file. Examples brings the saltworks’ trains back as they were.',
      'Bundles saves trains with their logs, searches and revisions as one file, and opens one.',
    ],
    words: ['member', 'position', 'ratio', 'step', 'bundle'],
    cautions: ['figures', 'local'],
  },
  Bench: {
    question: 'How does it run in this position?',
    steps: [
      'Choose a position by its key below, or press its name. The power path lights up ' +
        'on the drawing, and the Trace tells it part by part.',
      'Click a clutch on the drawing to engage or release it: any combination can be tried.',
      'Click a tooth count to change it; right-click a part, or press E, for all that can be done with it.',
      'Table and Text, above the drawing, show all parts as rows and the train in writing; what is typed or ' +
        'pasted there is drawn at once. A shaft dragged onto another is joined with it, with Alt by a clutch.',
      'Turn exactly one turn and read the counters: they show the ratio as it is counted on the real thing.',
      'Body shows the train in three dimensions, sawn open: drag to look round it, press a part for its card, or a ' +
        'clutch to engage it; cut out more or less, draw the sets apart, see one member alone.',
      'Give wheels their module and width on their cards, or in the table of wheels, where Ctrl+D fills a cell down: ' +
        'Figures then tells forces, bearings and the wheel that is used hardest, and Forces draws them.',
      'Working shows the sum as on paper, checked in several ways; Checks says what is wrong, why, and what to do.',
    ],
    words: [
      'member',
      'coupler',
      'clutch',
      'oneWay',
      'driver',
      'idler',
      'countershaft',
      'set',
      'block',
      'locked',
      'neutral',
      'openTorque',
      'recirculating',
      'ratio',
      'revision',
    ],
    symbols: true,
    choices: [
      RATIO,
      [
        'Drive, Coast, Back-drive',
        'power from the input; the load pushing the input; the output turned to see whether it drives the input',
      ],
      [
        'Given: torque or loads',
        'the input torque; or what holds each output, so that the input torque and every other follow from it',
      ],
      ['Losses', 'off: ideal torque. On: each mesh that rolls takes its share; what turns as one block takes none'],
      [
        'Sets worked by formula or table',
        'the relative-motion equation with its values, or all turned together, then the carrier held; on Working',
      ],
    ],
    cautions: ['figures', 'turning', 'springs', 'local'],
  },
  Chart: {
    question: 'What do all positions make together?',
    steps: [
      'Each row is a position, each dot a coupler that is engaged: click to change, and every figure follows.',
      'Steps shows how even the ladder is; Grid shows boxes with ranges; Clicks follows the selectors.',
      'Below: pictures, each shift in detail, influence of every tooth, all combinations ' +
        'that nobody listed, and another train beside this one.',
    ],
    words: ['position', 'ratio', 'step', 'ideal', 'oneForOne', 'influence', 'locked', 'neutral', 'coupler'],
    choices: [
      RATIO,
      [
        'Ideal steps even or progressive',
        'even: the same factor between all neighbours. Progressive: the steps grow smaller upward by ' +
          'one factor, as the load falls with speed less than the motor does',
      ],
    ],
    cautions: ['figures'],
  },
  Shifting: {
    question: 'When should it shift, and what happens then?',
    steps: [
      'Give a motor and a load, left. The picture shows what each position can pull against what the load asks.',
      'Drag a shift point on the picture, or take the sound ones; give the rule that shifts.',
      'Run it: the strip shows speed, torque and power over time; Verdict says what goes wrong and what to try.',
      'Travel shows each selector’s stretches, where two engage at once or none does.',
    ],
    words: ['stall', 'band', 'overlap', 'ratio', 'oneWay'],
    choices: [
      [
        'Its cue is input speed, output torque, or goes by hand',
        'what the shifter reads. By torque it can chatter in a gap, for torque is ' +
          'gone in neutral; by speed it does not know the load',
      ],
      [
        'Between: neutral, hand-over, one-way clutch',
        'nothing engaged for a while; one engages as the other releases; or the new one takes over by itself',
      ],
    ],
    cautions: ['motor', 'turning', 'licensed', 'local'],
  },
  Teeth: {
    question: 'Which tooth counts give the ratio I want?',
    steps: [
      'Say what to look for: a chain, a planetary set, several outputs, a ladder, or other counts for this train.',
      'Give the ratio as a number, a fraction, two speeds or two durations, and the counts you can make.',
      'Choose a finding from the table; Use it puts it into this train, in one step of undo, or makes a new one.',
    ],
    words: ['proven', 'ppm', 'hunting', 'idler', 'module', 'ratio'],
    choices: [
      [
        'Common factors',
        'without one each tooth meets all of the other wheel, and wear evens out; with round ratios the same ' +
          'teeth meet again, which some prefer for timing and marking. Both are good practice',
      ],
    ],
    cautions: ['figures'],
  },
  Schemes: {
    question: 'Which connections of planetary sets give the positions I want?',
    steps: [
      'Say which sets there are, with their counts or free within a range of ring to sun.',
      'Wish for ratios, or for so many positions from a first ratio over a spread, and say how far off they may be.',
      'Limit brakes and clutches; what comes back is best first. With given counts, proven means that all were tried.',
      'Look at what is engaged in each position, keep two or three beside each other, and use one as a new train.',
      'Opened from a train’s Chart, what is asked can be saved beside that train, under a name.',
    ],
    words: ['proven', 'ratio', 'step', 'position', 'member', 'set', 'recirculating'],
    choices: [
      [
        'Counts given or free',
        'with given counts every scheme is looked at; with free ones places of the range are tried, and whole counts ' +
          'that can be put together are found for what is promising; then it goes on between them until you stop it: ' +
          'best found, never proven',
      ],
    ],
    cautions: ['figures'],
  },
  Log: {
    question: 'Does the real thing do what was computed?',
    steps: [
      'Choose the position, press the letter of what you read with, type the figures, press Enter.',
      'Each reading says whether it agrees, and which other position it would agree with.',
      'The fault finder takes what each position was seen to do, lists what ' +
        'could be wrong, and proposes the next test.',
    ],
    words: ['resolution', 'verdict', 'correction', 'suspect', 'ratio'],
    cautions: ['turning', 'springs', 'burst', 'licensed', 'local'],
  },
  Practice: {
    question: 'Can I tell what it will do before it turns?',
    steps: [
      'Begin a drill: answer first, then see it turn. A wrong answer is told which slip leads to it.',
      'Make a worksheet from chosen trains, for the screen or for paper with its answers on pages of their own.',
      'In the fault hunt something is wrong with the train; find it with as few tests as you can.',
      'Say who practises, and what was missed comes back after 1, 3, 7 and 14 days.',
    ],
    words: ['slip', 'roles', 'driver', 'ratio', 'set', 'locked', 'suspect'],
    choices: [RATIO],
    cautions: ['figures'],
  },
  Sheet: {
    question: 'What goes to the workshop?',
    steps: [
      'What you see is the page: choose what is on it, then print it, or save it as PDF, HTML or Markdown.',
      'Parts lists every wheel with its sizes; Shapes makes outlines and solids for the printer, the laser or the mill, ' +
        'and keeps what you type at a wheel in the train.',
    ],
    words: ['module', 'profile', 'ratio'],
    choices: [
      [
        'Sheet or notebook',
        'the results on as few pages as they need, or every position worked out with room for remarks',
      ],
    ],
    cautions: ['figures', 'comparison', 'burst', 'turning', 'licensed', 'local'],
  },
} as const satisfies Record<string, Topic>;

export type TopicName = keyof typeof TOPICS;
