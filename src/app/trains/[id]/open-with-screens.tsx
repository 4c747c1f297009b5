'use client';

import type { ComponentProps } from 'react';
import { TrainOpening } from '@/features/train/frame/train-opening';
import { screen } from '@/features/train/frame/screens';

/** The screens that there are, in the order of the bar. */
const SCREENS = [
  screen(
    'Bench',
    '',
    'How does it turn, and where does the power go?',
    async () => (await import('@/features/bench/screen')).BenchScreen,
  ),
  screen(
    'Chart',
    'chart',
    'What does every position give?',
    async () => (await import('@/features/chart/screen')).ChartScreen,
  ),
  screen(
    'Shifting',
    'shifting',
    'Does it suit its motor and load, and what does its shifter do?',
    async () => (await import('@/features/shifting/screen')).ShiftingScreen,
  ),
  screen(
    'Teeth',
    'teeth',
    'Which tooth counts give the wanted ratios?',
    async () => (await import('@/features/teeth/screen')).TeethOfTrain,
  ),
  screen(
    'Log',
    'log',
    'What did the real thing do, and does that agree?',
    async () => (await import('@/features/log/screen')).LogScreen,
  ),
  screen(
    'Practice',
    'practice',
    'Can you say what will happen before it turns?',
    async () => (await import('@/features/practice/screen')).PracticeScreen,
  ),
  screen(
    'Sheet',
    'sheet',
    'What goes to the workshop?',
    async () => (await import('@/features/sheet/screen')).SheetScreen,
  ),
];

export const OpenWithScreens = (train: Omit<ComponentProps<typeof TrainOpening>, 'screens'>) => (
  <TrainOpening {...train} screens={SCREENS} />
);
