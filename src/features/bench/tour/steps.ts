import type { DriveStep } from 'driver.js';

/** What the first step points at. */
export const SHOWN_FIRST = 'section[aria-label="Side view"]';

/** Five looks at the Bench, each at the part it is about; the page goes on working below. */
export const STEPS: readonly DriveStep[] = [
  {
    element: SHOWN_FIRST,
    popover: {
      title: 'Where the power goes',
      description:
        'The shafts from the side, gears as bars that touch where they mesh. Power runs along ' +
        'the red line from input to output. Press <kbd>2</kbd> to shift, or click a clutch on ' +
        'the drawing: any combination can be tried. Body, above it, shows the train in metal, sawn open; ' +
        'the harvester on the shelf is the one to look at first.',
    },
  },
  {
    element: 'aside[aria-label="Explanation"]',
    popover: {
      title: 'What it comes to, and why',
      description:
        'Ratio, speed and torque, then the power traced part by part: which gear drives, which is driven, what ' +
        'stands. Working shows the sum as on paper; Checks says what is wrong and what to do.',
      side: 'left',
    },
  },
  {
    element: 'section[aria-label="Crank and counters"]',
    popover: {
      title: 'Turn it and count',
      description:
        'Press <kbd>T</kbd> to turn the input exactly one turn. The counters show turns as ' +
        'fractions, and teeth passed: what you would count on the bench.',
      side: 'top',
    },
  },
  {
    element: '[role="group"][aria-label="Positions"]',
    popover: {
      title: 'Every position, and your own counts',
      description:
        'Each position with its ratio; one that locks says so. Click any tooth count on the drawing to ' +
        'change it: every figure follows at once, and <kbd>Ctrl Z</kbd> takes it back.',
      side: 'top',
    },
  },
  {
    element: 'nav[aria-label="Screens of this train"]',
    popover: {
      title: 'Six more sides of the same train',
      description:
        'The chart of all positions, shift points, tooth counts for a ratio, the bench log, practice and the ' +
        'printed sheet. Press <kbd>?</kbd> on any of them for its help, words and keys.',
      side: 'bottom',
    },
  },
];
