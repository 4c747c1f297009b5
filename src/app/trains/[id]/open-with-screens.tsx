'use client';

import type { ComponentProps } from 'react';
import { OpenTrain } from '@/features/train/frame/open-train';
import { screen } from '@/features/train/frame/screens';

/** The screens that there are, in the order of the bar. */
const SCREENS = [
  screen('Bench', '', 'How does it turn, and where does the power go?', () => import('@/features/bench/screen')),
  screen('Chart', 'chart', 'What does every position give?', () => import('@/features/chart/screen')),
  screen(
    'Shifting',
    'shifting',
    'Does it suit its motor and load, and what does its shifter do?',
    () => import('@/features/shifting/screen'),
  ),
  screen('Teeth', 'teeth', 'Which tooth counts give the wanted ratios?', () => import('@/features/teeth/screen')),
  screen('Log', 'log', 'What did the real thing do, and does that agree?', () => import('@/features/log/screen')),
  screen(
    'Practice',
    'practice',
    'Can you say what will happen before it turns?',
    () => import('@/features/practice/screen'),
  ),
  screen('Sheet', 'sheet', 'What goes to the workshop?', () => import('@/features/sheet/screen')),
];

export const OpenWithScreens = (train: Omit<ComponentProps<typeof OpenTrain>, 'screens'>) => (
  <OpenTrain {...train} screens={SCREENS} />
);
