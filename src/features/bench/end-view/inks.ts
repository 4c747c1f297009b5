'use client';

import { useMemo } from 'react';
import type { Station } from '@/core/end-view';
import { useExplained } from '@/features/train/use-explained';
import { useTrain } from '@/features/train/use-train';
import { memberColor } from '@/figures/member-colors';
import { useBench } from '../use-bench';
import type { EndViewPaper, WheelInk } from './paint';

/** The meshes of a station whose gears are in each other now: a sliding gear that is out turns free of its mate. */
export function useEngagedMeshes(station: Station) {
  const { solved } = useExplained();
  return useMemo(() => {
    const within = new Set(solved.state.meshes.map(({ mesh }) => mesh.id));
    return station.meshes.filter(({ mesh }) => within.has(mesh));
  }, [station, solved]);
}

/** How every wheel of a station looks now. */
export function useInks(station: Station): readonly WheelInk[] {
  const train = useTrain((state) => state.train);
  const marks = useBench((state) => state.marks);
  const highlight = useTrain((state) => state.highlight);
  const { figures, driving } = useExplained();
  const engaged = useEngagedMeshes(station);
  return useMemo(() => {
    const carrying = new Set(
      figures.filter(({ role }) => role === 'drives' || role === 'carries' || role === 'gives out').map(({ id }) => id),
    );
    return station.wheels.map(({ gear, member }, i): WheelInk => {
      const meshes = station.meshes.filter(({ a, b }) => a === i || b === i);
      return {
        color: memberColor(train, member),
        powered: driving.has(gear) && carrying.has(member),
        marked: marks.includes(gear),
        lit: highlight !== null && (highlight.gears.includes(gear) || highlight.members.includes(member)),
        out: meshes.length > 0 && !meshes.some((mesh) => engaged.includes(mesh)),
      };
    });
  }, [station, train, marks, highlight, figures, driving, engaged]);
}

const plainColors = new Map<string, string>();
const inkColors = new WeakMap<
  readonly WheelInk[],
  { readonly theme: string | undefined; readonly colors: [readonly WheelInk[], EndViewPaper] }
>();

/**
 * A canvas knows no CSS variables: each is looked up once for each theme, for asking costs the browser a new look at
 * all styles.
 */
export function colorsOf(inks: readonly WheelInk[]): [readonly WheelInk[], EndViewPaper] {
  const { theme } = document.documentElement.dataset;
  const found = inkColors.get(inks);
  if (found?.theme === theme && found) return found.colors;
  const plain = (color: string) => {
    const name = /^var\((--[\w-]+)\)$/.exec(color)?.[1];
    if (!name) return color;
    const key = `${theme} ${name}`;
    const known = plainColors.get(key) ?? getComputedStyle(document.documentElement).getPropertyValue(name);
    plainColors.set(key, known);
    return known;
  };
  const paper = {
    power: plain('var(--color-primary)'),
    paper: plain('var(--color-base-100)'),
    ink: plain('var(--color-base-content)'),
  };
  const colors: [readonly WheelInk[], EndViewPaper] = [inks.map((ink) => ({ ...ink, color: plain(ink.color) })), paper];
  inkColors.set(inks, { theme, colors });
  return colors;
}
