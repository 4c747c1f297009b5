import { required } from '@/core/required';
/**
 * What the styles of the page say of a drawing, and a file has to say itself: with what each is when nothing is said.
 */
const LINES = {
  'fill-opacity': '1',
  'stroke-width': '',
  'stroke-opacity': '1',
  'stroke-dasharray': 'none',
  'stroke-linecap': 'butt',
  'stroke-linejoin': 'miter',
} as const;
const LETTERS = {
  'font-family': '',
  'font-size': '',
  'font-weight': '400',
  'text-anchor': 'start',
  'dominant-baseline': 'auto',
} as const;
/** What belongs to the page and not to the drawing. */
const OF_THE_PAGE = /^(class|style|role|tabindex|aria-.*|data-.*)$/;
/** Elements with this attribute serve the screen only. */
export const SCREEN_ONLY = 'data-screen-only';
/** The transformation of an element with this attribute is a zoom of the screen. */
export const ZOOMED = 'data-zoomed';

/**
 * A drawing of the page as an SVG of its own: every element says how it looks, nothing refers to the page's styles, and
 * what only serves the screen is left out. `title` is what the file is called inside; `css` is put into it.
 */
export function standaloneSvg(drawing: SVGSVGElement, title: string, background: string, css = ''): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  dress(drawing, copy);
  const { width, height } = drawing.viewBox.baseVal;
  const make = (name: string) => document.createElementNS('http://www.w3.org/2000/svg', name);
  const paper = make('rect');
  for (const [key, value] of Object.entries({ width, height, fill: background }))
    paper.setAttribute(key, String(value));
  const name = make('title');
  name.textContent = title;
  const style = make('style');
  style.textContent = css;
  copy.prepend(name, ...(css ? [style] : []), paper);
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(width));
  copy.setAttribute('height', String(height));
  return `${new XMLSerializer().serializeToString(copy)}\n`;
}

/** Writes the looks of an element, and of all in it, on its copy. */
function dress(from: Element, to: Element): void {
  const looks = getComputedStyle(from);
  for (const { name } of [...to.attributes]) if (OF_THE_PAGE.test(name)) to.removeAttribute(name);
  if (from.hasAttribute(ZOOMED)) to.removeAttribute('transform');
  if (looks.opacity !== '1') to.setAttribute('opacity', looks.opacity);
  if (from.children.length === 0 && from instanceof SVGGraphicsElement)
    write(looks, to, from instanceof SVGTextContentElement ? { ...LINES, ...LETTERS } : LINES);
  const pairs = [...from.children].map((child, i) => [child, required(to.children[i])] as const);
  for (const [child, twin] of pairs) {
    if (isSeen(child)) dress(child, twin);
    else twin.remove();
  }
}

/** Does anything of an element show in a picture? Wide lines that nobody sees only make thin ones easy to hit. */
function isSeen(element: Element): boolean {
  const { display, visibility, fill, stroke, fillOpacity, strokeOpacity } = getComputedStyle(element);
  if (element.hasAttribute(SCREEN_ONLY) || display === 'none' || visibility === 'hidden') return false;
  if (element.children.length > 0 || !(element instanceof SVGGeometryElement)) return true;
  const blank = (color: string, opacity: string) => color === 'none' || opacity === '0' || color === 'rgba(0, 0, 0, 0)';
  return !(blank(fill, fillOpacity) && blank(stroke, strokeOpacity));
}

function write(looks: CSSStyleDeclaration, to: Element, properties: Readonly<Record<string, string>>): void {
  for (const [property, unsaid] of Object.entries(properties)) {
    const value = looks.getPropertyValue(property);
    if (value !== '' && value !== unsaid) to.setAttribute(property, value);
  }
  paint(to, 'fill', looks.fill);
  paint(to, 'stroke', looks.stroke);
}

const probe = { context: null as CanvasRenderingContext2D | null, known: new Map<string, readonly [string, number]>() };

/** Colours as every program reads them: newer notations of CSS become plain red, green, blue and an opacity. */
function paint(element: Element, property: 'fill' | 'stroke', value: string): void {
  const [color, alpha] = value === 'none' ? (['none', 1] as const) : plainColor(value);
  element.setAttribute(property, color);
  if (alpha < 1)
    element.setAttribute(
      `${property}-opacity`,
      String(alpha * Number(element.getAttribute(`${property}-opacity`) ?? 1)),
    );
}

function plainColor(value: string): readonly [string, number] {
  const known = probe.known.get(value);
  if (known) return known;
  const context = (probe.context ??= required(
    document.createElement('canvas').getContext('2d', { willReadFrequently: true }),
  ));
  context.clearRect(0, 0, 1, 1);
  context.fillStyle = value;
  context.fillRect(0, 0, 1, 1);
  const [red, green, blue, alpha] = context.getImageData(0, 0, 1, 1).data;
  const plain = [`rgb(${red},${green},${blue})`, Math.round((required(alpha) / 255) * 100) / 100] as const;
  probe.known.set(value, plain);
  return plain;
}
