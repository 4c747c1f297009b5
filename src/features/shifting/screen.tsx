'use client';

import { useDeferredValue } from 'react';
import { useScreenKeys } from '@/features/train/frame/screen-keys';
import { Notice } from '@/features/train/notice';
import { shiftingKeys, SHIFTING_KEYS } from './keys';
import { Shifting } from './shifting';
import { ReadingContext, useReadForm } from './use-shifting';

/** Does the train suit its motor and load, and what does its shifter do. */
export function ShiftingScreen() {
  const reading = useReadForm();
  useScreenKeys(SHIFTING_KEYS, shiftingKeys);
  // The picture follows what is dragged at once; all else when there is time.
  const later = useDeferredValue(reading);
  return (
    <ReadingContext value={later}>
      <Shifting now={reading.setup} />
      <Notice />
    </ReadingContext>
  );
}
