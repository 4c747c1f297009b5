import { BufferAttribute, BufferGeometry, Color, DoubleSide, Mesh, MeshBasicMaterial, type Vector3 } from 'three';

/** A stretch of the power path in the half section: along and out, mm, from where to where power flows. */
export interface Arrow {
  readonly axis: Vector3;
  readonly from: { readonly z: number; readonly r: number };
  readonly to: { readonly z: number; readonly r: number };
  /** Of the input's power; null where it is open. */
  readonly share: number | null;
}

/** The power path, drawn flat on the face of the cut. */
export class ArrowPath {
  readonly object = new Mesh(new BufferGeometry(), new MeshBasicMaterial({ side: DoubleSide }));
  private arrows: readonly Arrow[] = [];
  private size = 1;
  private angle = 0;
  private shift: (z: number) => number = () => 0;

  constructor() {
    this.object.frustumCulled = false;
    // Just in front of the cut face.
    this.object.material.polygonOffset = true;
    this.object.material.polygonOffsetFactor = -4;
    this.object.material.polygonOffsetUnits = -4;
  }

  show(arrows: readonly Arrow[], color: string, size: number): void {
    this.arrows = arrows;
    this.size = size;
    this.object.material.color = new Color(color);
    this.lay();
  }

  /** To which half plane they belong. */
  turnTo(angle: number): void {
    this.angle = angle;
    this.lay();
  }

  drawApart(shift: (z: number) => number): void {
    this.shift = shift;
    this.lay();
  }

  leave(): void {
    this.object.geometry.dispose();
    this.object.material.dispose();
  }

  private lay(): void {
    const places: number[] = [];
    const [c, s] = [Math.cos(this.angle), Math.sin(this.angle)];
    // A hair out of the face, towards what was taken out.
    const off = 0.0015 * this.size;
    for (const { axis, from, to, share } of this.arrows) {
      const [z0, z1] = [from.z + this.shift(from.z), to.z + this.shift(to.z)];
      const length = Math.hypot(z1 - z0, to.r - from.r);
      if (length === 0) continue;
      const [uz, ur] = [(z1 - z0) / length, (to.r - from.r) / length];
      const half = this.size * (0.0016 + 0.003 * Math.min(1.8, share ?? 0.5));
      const put = (along: number, aside: number) => {
        const z = z0 + uz * along - ur * aside;
        const r = from.r + ur * along + uz * aside;
        places.push(axis.x + r * c + off * s, axis.y + r * s - off * c, axis.z + z);
      };
      const quad = (a: number, b: number) => {
        for (const [along, aside] of [
          [a, -half],
          [b, -half],
          [b, half],
          [a, -half],
          [b, half],
          [a, half],
        ] as const)
          put(along, aside);
      };
      if (share === null) for (let at = 0; at < length; at += 5 * half) quad(at, Math.min(length, at + 2 * half));
      else quad(-half, length + half);
      if (share !== null && length > 8 * half) {
        const tip = length / 2 + 4 * half;
        put(tip, 0);
        put(tip - 7 * half, 3.2 * half);
        put(tip - 7 * half, -3.2 * half);
      }
    }
    this.object.geometry.dispose();
    this.object.geometry = new BufferGeometry();
    this.object.geometry.setAttribute('position', new BufferAttribute(Float32Array.from(places), 3));
    this.object.visible = places.length > 0;
  }
}
