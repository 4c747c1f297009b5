import { createStore, useStore } from 'zustand';
import { ownOf, type Own } from '@/features/train/session';
import { useSession } from '@/features/train/use-train';
import type { Cut, LooksFrom } from './scene';

/** How the body is looked at; it stands until the train is closed. */
export interface BodyView {
  readonly cut: Cut;
  /** How far sets stand apart, from 0 to 1. */
  readonly apart: number;
  readonly looks: LooksFrom;
  /** Members that are not drawn; the frame is one of them. */
  readonly hidden: ReadonlySet<string>;
  readonly change: (change: Partial<Omit<BodyView, 'change'>>) => void;
}

const QUARTER = Math.PI / 2;

/** From the front, a little from the left and above: the cut looks at who looks. */
export const FIRST_LOOK: LooksFrom = { around: 0.5, above: 0.42, far: 1.62 };

interface Looking extends Own {
  readonly store: ReturnType<typeof createView>;
}

const createView = () =>
  createStore<BodyView>()((set) => ({
    cut: { angle: 0, wide: QUARTER },
    apart: 0,
    looks: FIRST_LOOK,
    hidden: new Set<string>(),
    change: (change) => set(change),
  }));

const createLooking = (): Looking => ({ store: createView() });

export const useBodyViewItself = (): Looking['store'] => ownOf(useSession(), createLooking).store;

export const useBodyView = <T>(select: (view: BodyView) => T): T => useStore(useBodyViewItself(), select);

/** Looked from so high that neither end comes over the top. */
const HIGHEST = 1.5;

/** Turned by so much; nearer or farther by a factor. */
export const turned = ({ around, above, far }: LooksFrom, by: Partial<LooksFrom>): LooksFrom => ({
  around: around + (by.around ?? 0),
  above: Math.min(HIGHEST, Math.max(-HIGHEST, above + (by.above ?? 0))),
  far: Math.min(6, Math.max(0.4, far * (by.far ?? 1))),
});
