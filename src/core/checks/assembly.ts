import { fraction, type Rational } from '../rational';

/** A planet's gear and the central gear it meets. */
export interface TimingContact {
  readonly planetTeeth: number;
  readonly centralTeeth: number;
  /** The central gear has its teeth inside, outward of the planet. */
  readonly internal: boolean;
}

/**
 * Where one planet sits and how it has to be turned, in turns, counter-clockwise as one looks on the first planet's
 * marked side.
 */
export interface TimingMark {
  /** 1 for the first. */
  readonly planet: number;
  /** Round the centre, from the first planet. */
  readonly at: Rational;
  /** The mark that points straight out on the first planet, from straight out; −1/2 < mark ≤ 1/2. */
  readonly mark: Rational;
}

/**
 * How equal planets, spaced evenly, have to be put in, or null when one of them finds no place. All have the same
 * clocking of their gears on each other, as parts that are made alike have.
 *
 * Take the first planet as meshing. At k/n of the way round, a central gear of z teeth shows k·z/n more teeth; a planet
 * gear of p teeth, turned by ψ against its arm, shows p·ψ. They fit when p·ψ = ±k·z/n + a whole number, + for a sun, −
 * for a ring, where the planet touches with its other side. With one gear that always has solutions, p of them; all
 * contacts together may have none. For sun and ring on one gear this is the rule that n divides sun + ring.
 */
export function timingOf(contacts: readonly TimingContact[], planets: number): readonly TimingMark[] | null {
  const [first, ...others] = contacts;
  if (!first) return null;
  const shown = ({ centralTeeth, internal }: TimingContact, k: number) => k * (internal ? -centralTeeth : centralTeeth);
  const marks: TimingMark[] = [];
  for (let k = 0; k < planets; k++) {
    // ψ = turned / (n p) of the first contact; every other asks that p' ψ − (± k z' / n) be whole.
    const whole = planets * first.planetTeeth;
    let best: number | null = null;
    for (let i = 0; i < first.planetTeeth; i++) {
      const turned = modulo(shown(first, k) + planets * i, whole);
      const fits = others.every(
        (other) => modulo(other.planetTeeth * turned - shown(other, k) * first.planetTeeth, whole) === 0,
      );
      const centred = turned * 2 > whole ? turned - whole : turned;
      if (fits && (best === null || Math.abs(centred) < Math.abs(best))) best = centred;
    }
    if (best === null) return null;
    marks.push({ planet: k + 1, at: fraction(k, planets), mark: fraction(best, whole) });
  }
  return marks;
}

const modulo = (a: number, m: number): number => ((a % m) + m) % m;
