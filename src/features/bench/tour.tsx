'use client';

import { driver as guide, type DriveStep } from 'driver.js';
import 'driver.js/dist/driver.css';
import { useCallback, useEffect, useRef } from 'react';
import { useScreenTour } from '@/features/train/frame/screen-keys';
import { useReducedMotion } from '@/ui/reduced-motion';
import { useCrank } from './use-bench';

/** Five looks at the Bench, each at the part it is about; the page goes on working below. */
const STEPS: readonly DriveStep[] = [
  {
    element: 'section[aria-label="Side view"]',
    popover: {
      title: 'Where the power goes',
      description:
        'The shafts from the side, gears as bars that touch where they mesh. Power runs along the red line from input to output. Press <kbd>2</kbd> to shift, or click a clutch on the drawing: any combination can be tried.',
    },
  },
  {
    element: 'aside[aria-label="Explanation"]',
    popover: {
      title: 'What it comes to, and why',
      description:
        'Ratio, speed and torque, then the power traced part by part: which gear drives, which is driven, what stands. Working shows the sum as on paper; Checks says what is wrong and what to do.',
      side: 'left',
    },
  },
  {
    element: 'section[aria-label="Crank and counters"]',
    popover: {
      title: 'Turn it and count',
      description:
        'Press <kbd>T</kbd> to turn the input exactly one turn. The counters show turns as fractions, and teeth passed: what you would count on the bench.',
      side: 'top',
    },
  },
  {
    element: '[role="group"][aria-label="Positions"]',
    popover: {
      title: 'Every position, and your own counts',
      description:
        'Each position with its ratio; one that locks says so. Click any tooth count on the drawing to change it: every figure follows at once, and <kbd>Ctrl Z</kbd> takes it back.',
      side: 'top',
    },
  },
  {
    element: 'nav[aria-label="Screens of this train"]',
    popover: {
      title: 'Six more sides of the same train',
      description:
        'The chart of all positions, shift points, tooth counts for a ratio, the bench log, practice and the printed sheet. Press <kbd>?</kbd> on any of them for its help, words and keys.',
      side: 'bottom',
    },
  },
];

const SLOWLY = 0.1;
/** The page stands before it is pointed at. */
const SETTLE_MS = 600;

const isVisited = (): boolean => /(^|; )visited=/.test(document.cookie);

/** Shows round: offered in the help, and by itself on the very first visit, with the train turning. It is not shown by itself again. */
export function Tour({ first }: { first: boolean }) {
  const crank = useCrank();
  const still = useReducedMotion();
  const end = useRef<() => void>(() => undefined);
  const start = useCallback(() => {
    end.current();
    end.current = showRound(still);
  }, [still]);
  useScreenTour(start);
  useEffect(() => () => end.current(), []);
  useEffect(() => {
    if (!first || isVisited()) return;
    const timer = setTimeout(() => {
      document.cookie = 'visited=yes; path=/; max-age=31536000; samesite=lax';
      if (!still) crank.play(SLOWLY);
      start();
    }, SETTLE_MS);
    return () => clearTimeout(timer);
  }, [first, start, crank, still]);
  return null;
}

/** Begins at the first step; what it gives back ends it. */
function showRound(still: boolean): () => void {
  const press = (event: KeyboardEvent) => {
    if (event.key !== 'Escape') return;
    event.stopPropagation();
    tour.destroy();
  };
  const tour = guide({
    steps: [...STEPS],
    animate: !still,
    // The arrows choose positions, here as well.
    allowKeyboardControl: false,
    overlayOpacity: 0.35,
    stagePadding: 2,
    showProgress: true,
    progressText: '{{current}} of {{total}}',
    nextBtnText: 'Next',
    prevBtnText: 'Back',
    doneBtnText: 'Begin',
    popoverClass: 'tour',
    onPopoverRender({ wrapper, closeButton }) {
      // No dialog: what it tells of can be pressed meanwhile.
      wrapper.setAttribute('role', 'region');
      wrapper.removeAttribute('aria-labelledby');
      wrapper.setAttribute('aria-label', 'Tour');
      closeButton.textContent = 'Skip';
      closeButton.setAttribute('aria-label', 'Skip the tour');
    },
    // Enter goes on.
    onHighlighted: () => document.querySelector<HTMLElement>('.tour .driver-popover-next-btn')?.focus(),
    onDestroyed: () => removeEventListener('keydown', press, true),
  });
  addEventListener('keydown', press, true);
  tour.drive();
  return () => tour.destroy();
}
