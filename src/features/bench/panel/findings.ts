'use client';

import { useMemo } from 'react';
import type { Finding } from '@/core/checks';
import type { Train } from '@/core/train';
import { checksOf } from '@/features/train/analysis';
import { useTyped } from '@/features/train/input/typed-input';

export interface Findings {
  readonly open: readonly Finding[];
  /** Those that people chose to leave, with why. */
  readonly aside: readonly { readonly found: Finding; readonly note: string }[];
}

/** What the checks find in a train for the input that is typed: what is open, and what was set aside. */
export function useFindings(train: Train): Findings {
  const { speed, torque } = useTyped();
  return useMemo(() => {
    const inputSpeed = speed.value === null ? null : (speed.value * speed.si) / (2 * Math.PI);
    const inputTorque = torque.value === null ? null : torque.value * torque.si;
    const notes = new Map((train.setAside ?? []).map(({ finding, note }) => [finding, note]));
    const findings = checksOf(train, { inputSpeed, inputTorque });
    return {
      open: findings.filter(({ key }) => !notes.has(key)),
      aside: findings.flatMap((found) => (notes.has(found.key) ? [{ found, note: notes.get(found.key)! }] : [])),
    };
  }, [train, speed, torque]);
}
