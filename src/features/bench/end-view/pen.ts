import { required } from '@/core/required';
/** a, b, c, d, e, f of a plane's transformation, as SVG and canvas have it. */
export type Matrix = readonly [number, number, number, number, number, number];

/** How a path is to be drawn. Lengths are in the path's own units. */
export interface Stroke {
  readonly fill?: string;
  /** How much of the paper the fill hides, 0 to 1; 1 when not said. */
  readonly fillAlpha?: number;
  readonly stroke?: string;
  readonly width?: number;
  readonly alpha?: number;
  readonly dash?: readonly number[];
  /** Nothing is drawn outside of this path. */
  readonly within?: string;
}

/**
 * What a station is drawn with: a canvas for the screen, SVG for a file. Paths are SVG path data; holes by the even-odd
 * rule.
 */
export interface Pen {
  readonly place: (matrix: Matrix) => void;
  readonly draw: (path: string, stroke: Stroke) => void;
}

const paths = new Map<string, Path2D>();
const KEPT_PATHS = 400;

function path2D(data: string): Path2D {
  const found = paths.get(data);
  if (found) return found;
  if (paths.size >= KEPT_PATHS) paths.delete(required(paths.keys().next().value));
  const fresh = new Path2D(data);
  paths.set(data, fresh);
  return fresh;
}

/** Draws on a canvas, which is cleared first. */
export function canvasPen(context: CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D): Pen {
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, context.canvas.width, context.canvas.height);
  return {
    place: (matrix) => context.setTransform(...matrix),
    draw: (data, { fill, fillAlpha = 1, stroke, width = 1, alpha = 1, dash, within }) => {
      // What is cut off moves, and is another path at every frame.
      const path = within ? new Path2D(data) : path2D(data);
      if (within) {
        context.save();
        context.clip(path2D(within));
      }
      if (fill) {
        context.globalAlpha = fillAlpha;
        context.fillStyle = fill;
        context.fill(path, 'evenodd');
      }
      if (stroke) {
        context.globalAlpha = alpha;
        context.strokeStyle = stroke;
        context.lineWidth = width;
        if (dash) context.setLineDash([...dash]);
        context.stroke(path);
        if (dash) context.setLineDash([]);
      }
      context.globalAlpha = 1;
      if (within) context.restore();
    },
  };
}

/** Draws into an SVG element. */
export function svgPen(svg: SVGSVGElement): Pen {
  let place: Matrix = [1, 0, 0, 1, 0, 0];
  const add = (parent: Element, name: string, attributes: Readonly<Record<string, string | number | undefined>>) => {
    const element = svg.ownerDocument.createElementNS('http://www.w3.org/2000/svg', name);
    for (const [key, value] of Object.entries(attributes))
      if (value !== undefined) element.setAttribute(key, String(value));
    return parent.appendChild(element);
  };
  return {
    place: (matrix) => {
      place = matrix;
    },
    draw: (d, { fill = 'none', fillAlpha, stroke = 'none', width, alpha, dash, within }) => {
      const transform = `matrix(${place.map((part) => Number(part.toFixed(4))).join(' ')})`;
      let clip: string | undefined;
      if (within) {
        clip = `clip-${svg.querySelectorAll('clipPath').length + 1}`;
        add(add(svg, 'clipPath', { id: clip }), 'path', { d: within });
      }
      add(svg, 'path', {
        transform,
        d,
        fill,
        'fill-rule': 'evenodd',
        'fill-opacity': fillAlpha,
        stroke,
        'stroke-width': width && Number(width.toFixed(4)),
        'stroke-opacity': alpha,
        'stroke-dasharray': dash?.join(' '),
        'clip-path': clip && `url(#${clip})`,
      });
    },
  };
}
