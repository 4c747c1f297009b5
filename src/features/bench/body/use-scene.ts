'use client';

import { useCallback, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { Vector3 } from 'three';
import { inSection, type TrainBody } from '@/core/body';
import { powerLines } from '@/core/drawing';
import { itemAt } from '@/core/required';
import { structureOf } from '@/core/structure';
import { FRAME } from '@/core/train';
import { useExplained } from '@/features/train/use-explained';
import { useTrain } from '@/features/train/use-train';
import { couplerState } from '@/features/train/words';
import { memberColor } from '@/figures/member-colors';
import { useReducedMotion } from '@/ui/reduced-motion';
import { useTheme } from '@/ui/theme';
import { currentTurns, useEachFrame } from '../crank/turns';
import { useBench, useBenchItself, useDrawing } from '../use-bench';
import type { Arrow } from './arrows';
import { useClosing } from './closing';
import { plainColor } from './plain-color';
import { BodyScene } from './scene';
import { useBodyView, useBodyViewItself } from './view';

/** What can be seen of a body: nothing where the browser has no WebGL. */
export type Seen = { readonly kind: 'scene'; readonly scene: BodyScene } | { readonly kind: 'none' } | null;

/** Keeps a canvas drawn: the body, how it stands and looks, and from where it is looked at. */
export function useScene(canvas: RefObject<HTMLCanvasElement | null>, body: TrainBody | null): Seen {
  const seen = useCanvasScene(canvas);
  const scene = seen?.kind === 'scene' ? seen.scene : null;
  const bench = useBenchItself();
  const view = useBodyViewItself();
  const { closed, holding } = useHeld(scene, bench, view);
  useEffect(() => {
    if (body) scene?.show(body);
  }, [scene, body]);
  useEffect(() => scene?.slide((id) => holding.has(id), currentTurns(bench)), [scene, body, bench, holding]);
  const [cut, apart] = [useBodyView((state) => state.cut), useBodyView((state) => state.apart)];
  useEffect(() => scene?.takeOut(cut), [scene, body, cut]);
  useEffect(() => scene?.drawApart(apart), [scene, body, apart]);
  useLooks(scene, body);
  useArrows(scene, body, cut);
  useBodyView((state) => state.looks);
  useEachFrame((turns) => {
    scene?.stand(turns, closed);
    scene?.draw(view.getState().looks);
  });
  useSize(canvas, scene, view);
  return seen;
}

function useCanvasScene(canvas: RefObject<HTMLCanvasElement | null>): Seen {
  const [seen, setSeen] = useState<Seen>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    let scene: BodyScene | null = null;
    const begin = () => {
      scene?.leave();
      try {
        scene = new BodyScene(element);
        setSeen({ kind: 'scene', scene });
      } catch {
        scene = null;
        setSeen({ kind: 'none' });
      }
    };
    // A graphics card may be taken away, and come back.
    const lost = (event: Event) => event.preventDefault();
    begin();
    element.addEventListener('webglcontextlost', lost);
    element.addEventListener('webglcontextrestored', begin);
    return () => {
      element.removeEventListener('webglcontextlost', lost);
      element.removeEventListener('webglcontextrestored', begin);
      scene?.leave();
    };
  }, [canvas]);
  return seen;
}

/** How far every coupler is closed now, and which of them hold. */
function useHeld(
  scene: BodyScene | null,
  bench: ReturnType<typeof useBenchItself>,
  view: ReturnType<typeof useBodyViewItself>,
): { readonly closed: (id: string) => number; readonly holding: ReadonlySet<string> } {
  const train = useTrain((state) => state.train);
  const explained = useExplained();
  const holding = useMemo(
    () =>
      new Set<string>(
        train.couplers
          .filter((coupler) => ['engaged', 'holds'].includes(couplerState(coupler, explained)))
          .map(({ id }) => id),
      ),
    [train, explained],
  );
  const closedNow = useRef<(id: string) => number>(() => 0);
  const redraw = useCallback(() => {
    scene?.stand(currentTurns(bench), (id) => closedNow.current(id));
    scene?.draw(view.getState().looks);
  }, [scene, bench, view]);
  const closed = useClosing(holding, useReducedMotion(), redraw);
  useEffect(() => {
    closedNow.current = closed;
  });
  return { closed, holding };
}

/** Colours as everywhere; what carries power is bright, what is pointed at shines, what is hidden is not there. */
function useLooks(scene: BodyScene | null, body: TrainBody | null): void {
  const train = useTrain((state) => state.train);
  const highlight = useTrain((state) => state.highlight);
  const marks = useBench((state) => state.marks);
  const hidden = useBodyView((state) => state.hidden);
  const { figures } = useExplained();
  const theme = useTheme();
  useEffect(() => {
    if (!scene || !body) return;
    const roles = new Map<string, string>(figures.map(({ id, role }) => [id, role]));
    scene.paint((member, coupler) => ({
      color: plainColor(member === FRAME ? 'var(--color-base-300)' : memberColor(train, member)),
      lit: LIT.has(roles.get(member) ?? ''),
      pointed:
        highlight !== null &&
        (highlight.members.includes(member) ||
          (coupler !== null && highlight.couplers.includes(coupler)) ||
          highlight.gears.some((gear) => train.gears.some(({ id, member: own }) => id === gear && own === member))),
      shown: !hidden.has(member),
    }));
  }, [scene, body, train, highlight, hidden, figures, theme]);
  useEffect(() => scene?.mark(marks, plainColor('var(--color-base-content)')), [scene, body, marks, theme]);
}

const LIT: ReadonlySet<string> = new Set(['drives', 'gives out', 'carries', 'shared', 'holds']);

/** The power path of the side view, laid on the face of the cut. */
function useArrows(scene: BodyScene | null, body: TrainBody | null, cut: unknown): void {
  const train = useTrain((state) => state.train);
  const drawn = useDrawing();
  const { powers } = useExplained();
  const theme = useTheme();
  // One that stands in has the axes of another train.
  const isOwn = useBench((state) => state.body?.train === train);
  useEffect(() => {
    if (!scene || !body || !drawn.ok) return;
    if (!isOwn) return scene.drawArrows([], '');
    const { axisOf } = structureOf(train);
    const arrows = powerLines(drawn.view, powers).flatMap(({ member, from, to, share }): Arrow[] => {
      const axis = axisOf.get(member);
      if (axis === undefined) return [];
      const [a, b] = [inSection(body.section, axis, from), inSection(body.section, axis, to)];
      const { origin, directions } = itemAt(body.axes, axis);
      // The face of the cut goes through parallel axes only.
      return a && b && directions[2][2] > 0.5 ? [{ axis: new Vector3(...origin), from: a, to: b, share }] : [];
    });
    scene.drawArrows(arrows, plainColor('var(--color-primary)'));
  }, [scene, body, drawn, train, powers, cut, theme, isOwn]);
}

function useSize(
  canvas: RefObject<HTMLCanvasElement | null>,
  scene: BodyScene | null,
  view: ReturnType<typeof useBodyViewItself>,
): void {
  useEffect(() => {
    const element = canvas.current;
    if (!element || !scene) return;
    const watch = new ResizeObserver(() => {
      scene.resize(element.clientWidth, element.clientHeight, devicePixelRatio || 1);
      scene.draw(view.getState().looks);
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, [canvas, scene, view]);
}
