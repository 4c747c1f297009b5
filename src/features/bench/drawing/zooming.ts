import { select } from 'd3-selection';
import { zoom, zoomIdentity } from 'd3-zoom';
import { WHOLE, type Look } from './first-look';

const MOST = 8;

export interface Zooming {
  readonly by: (factor: number) => void;
  readonly fit: () => void;
  readonly end: () => void;
}

/** Lets an element be zoomed and panned; each change is told as a transform for what is in it. */
export function zoomable(element: SVGSVGElement, tell: (transform: string) => void, first: Look): Zooming {
  const behaviour = zoom<SVGSVGElement, unknown>()
    .scaleExtent([0.5, MOST])
    // A press on a part is for the part; the double click is too.
    .filter(
      (event: Event) =>
        event.type === 'wheel' ||
        (event.type !== 'dblclick' && !(event.target as Element).closest('[role=button], foreignObject, [data-part]')),
    )
    .on('zoom', (event: { transform: typeof zoomIdentity }) => tell(event.transform.toString()));
  const drawing = select(element).call(behaviour);
  if (first !== WHOLE) behaviour.transform(drawing, zoomIdentity.translate(first.x, first.y).scale(first.scale));
  return {
    by: (factor) => void behaviour.scaleBy(drawing, factor),
    fit: () => void behaviour.transform(drawing, zoomIdentity),
    end: () => void drawing.on('.zoom', null),
  };
}
