import type { PartRef } from '../train';

/** Triangles as a graphics card takes them: mm, normals outward, corners counter-clockwise seen from outside. */
export interface Surface {
  readonly positions: Float32Array;
  readonly normals: Float32Array;
  readonly corners: Uint32Array;
  /** Which corners belong to which part of the train, in order; the rest is the member itself. */
  readonly parts: readonly SurfacePart[];
}

export interface SurfacePart {
  readonly part: PartRef;
  readonly from: number;
  readonly to: number;
  /** On a wheel: the end of its first tooth, where paint would go. */
  readonly tooth: readonly [number, number, number] | null;
}

/** Gathers the closed surfaces of one thing. */
export class SurfaceBuilder {
  private readonly positions: number[] = [];
  private readonly normals: number[] = [];
  private readonly corners: number[] = [];
  private readonly parts: SurfacePart[] = [];

  vertex(x: number, y: number, z: number, nx: number, ny: number, nz: number): number {
    this.positions.push(x, y, z);
    this.normals.push(nx, ny, nz);
    return this.positions.length / 3 - 1;
  }

  triangle(a: number, b: number, c: number): void {
    this.corners.push(a, b, c);
  }

  /** What is added meanwhile is this part's. */
  part(part: PartRef, add: () => void, tooth: SurfacePart['tooth'] = null): void {
    const from = this.corners.length;
    add();
    if (this.corners.length > from) this.parts.push({ part, from, to: this.corners.length, tooth });
  }

  get isEmpty(): boolean {
    return this.corners.length === 0;
  }

  finish(): Surface {
    return {
      positions: Float32Array.from(this.positions),
      normals: Float32Array.from(this.normals),
      corners: Uint32Array.from(this.corners),
      parts: this.parts,
    };
  }
}

export const triangleCount = ({ corners }: Surface): number => corners.length / 3;
