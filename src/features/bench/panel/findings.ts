'use client';

import { useMemo } from 'react';
import { checkDesign, type Finding, type Use } from '@/core/checks';
import { toNumber } from '@/core/rational';
import { inputTorque } from '@/core/solve';
import type { Train } from '@/core/train';
import { DOCUMENTS, Recent } from '@/features/train/recent';
import { useLoads } from '@/features/train/input/loads';
import { useTyped } from '@/features/train/input/typed-input';
import { useExplained } from '@/features/train/use-explained';
import { lookUp } from '@/core/required';
import { useBench } from '../use-bench';

export interface Findings {
  readonly open: readonly Finding[];
  /** Those that people chose to leave, with why. */
  readonly aside: readonly { readonly found: Finding; readonly note: string }[];
}

/** What the checks find in a train for the input that is typed: what is open, and what was set aside. */
export function useFindings(train: Train): Findings {
  const { speed, torque } = useTyped();
  const loads = useLoads();
  const held = useExplained();
  const made = useBench((state) => state.body);
  return useMemo(() => {
    const inputSpeed = speed.value === null ? null : (speed.value * speed.si) / (2 * Math.PI);
    const put = loads && !held.unbalanced ? inputTorque(held.solved) : null;
    const torqueNm = loads ? put && Math.abs(toNumber(put)) : torque.value === null ? null : torque.value * torque.si;
    const notes = new Map((train.setAside ?? []).map(({ finding, note }) => [finding, note]));
    const findings = [
      ...checksOf(train, { inputSpeed, inputTorque: torqueNm }),
      ...(made?.train === train ? made.findings : []),
    ];
    return {
      open: findings.filter(({ key }) => !notes.has(key)),
      aside: findings.flatMap((found) => (notes.has(found.key) ? [{ found, note: lookUp(notes, found.key) }] : [])),
    };
  }, [train, speed, torque, loads, held, made]);
}

const checks = new Recent<Train, { readonly use: Use; readonly findings: readonly Finding[] }>(DOCUMENTS);

/** What the checks find for a train and how it is used, worked out when it is first asked for. */
function checksOf(train: Train, use: Use): readonly Finding[] {
  const found = checks.get(train);
  if (found && found.use.inputSpeed === use.inputSpeed && found.use.inputTorque === use.inputTorque)
    return found.findings;
  const findings = checkDesign(train, use);
  checks.set(train, { use, findings });
  return findings;
}
