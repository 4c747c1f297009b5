import { driver as guide } from 'driver.js';
import 'driver.js/dist/driver.css';
import { SHOWN_FIRST, STEPS } from './steps';

/** Begins at the first step; what it gives back ends it. */
export function startTour(still: boolean): () => void {
  // Gone to another screen meanwhile: there is nothing to show round.
  if (!document.querySelector(SHOWN_FIRST)) return () => undefined;
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
