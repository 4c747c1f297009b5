import {
  AmbientLight,
  type BufferGeometry,
  Color,
  DirectionalLight,
  Group,
  Mesh,
  MeshBasicMaterial,
  PerspectiveCamera,
  Plane,
  Raycaster,
  Scene,
  SphereGeometry,
  Vector2,
  Vector3,
  type WebGLRenderer,
} from 'three';
import { poseOf, slidPhase, type TrainBody } from '@/core/body';
import type { TurnsOf } from '@/core/end-view';
import { itemAt } from '@/core/required';
import type { PartRef } from '@/core/train';
import { ArrowPath, type Arrow } from './arrows';
import { MemberMaterial } from './member-material';
import { rendererOn } from './renderer';
import { drawnApart } from './apart';
import { geometryOf, moveAlong } from './geometry';

/** How one member looks. */
export interface MemberLook {
  readonly color: string;
  /** Carries power, or is pointed at. */
  readonly lit: boolean;
  readonly pointed: boolean;
  readonly shown: boolean;
}

/** A sector that is taken out, about the main axis; radians from where the side view looks up. */
export interface Cut {
  readonly angle: number;
  readonly wide: number;
}

/** Where a person looks from, as angles round the train and how far off in its own sizes. */
export interface LooksFrom {
  readonly around: number;
  readonly above: number;
  readonly far: number;
}

/** What stands still for so long is drawn whole. */
const SETTLES_MS = 350;

/** A train's body on a canvas. It draws when it is told to, and only then. */
export class BodyScene {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(28, 1, 1, 1000);
  private readonly world = new Group();
  private readonly planes = [new Plane(), new Plane()];
  private readonly arrows: ArrowPath;
  private readonly dot = new SphereGeometry(1, 12, 8);
  private body: TrainBody | null = null;
  private meshes: readonly Mesh<BufferGeometry, MemberMaterial>[] = [];
  private fine: readonly BufferGeometry[] = [];
  private plain: readonly BufferGeometry[] = [];
  /** Drawn without a graphics card: plainer while it moves. */
  private readonly isSlow: boolean;
  private shape = { width: 1, height: 1, ratio: 1 };
  private isPlain = false;
  private slid = new Map<number, number>();
  private settling: ReturnType<typeof setTimeout> | undefined;
  private middle = new Vector3();
  private size = 1;
  private cut: Cut | null = null;

  /** @throws Error where there is no WebGL */
  constructor(canvas: HTMLCanvasElement) {
    const { renderer, isSlow } = rendererOn(canvas);
    [this.renderer, this.isSlow] = [renderer, isSlow];
    this.renderer.localClippingEnabled = true;
    // The train's own places go right, down and away; a camera that holds its head that way needs no mirror.
    this.camera.up.set(0, -1, 0);
    const sun = new DirectionalLight(0xffffff, 2.1);
    const sky = new DirectionalLight(0xffffff, 0.7);
    this.camera.add(sun, sky);
    sun.position.set(-0.5, 0.9, 0.8);
    sky.position.set(0.8, -0.2, 0.4);
    this.scene.add(new AmbientLight(0xffffff, 0.9), this.camera, this.world);
    this.arrows = new ArrowPath();
    this.world.add(this.arrows.object);
  }

  /** Takes another body; what was there goes. */
  show(body: TrainBody): void {
    this.clear();
    this.fine = body.surfaces.map(geometryOf);
    this.plain = body.plain.map(geometryOf);
    this.meshes = body.nodes.map(({ surface }) => {
      const mesh = new Mesh(itemAt(this.isPlain ? this.plain : this.fine, surface), new MemberMaterial(this.planes));
      mesh.matrixAutoUpdate = false;
      mesh.frustumCulled = false;
      return mesh;
    });
    this.world.add(...this.meshes);
    this.body = body;
    this.slid = new Map();
    this.measure();
  }

  private clear(): void {
    for (const mesh of this.meshes) {
      this.world.remove(mesh);
      mesh.material.dispose();
    }
    for (const geometry of [...this.fine, ...this.plain]) geometry.dispose();
  }

  /** Where its middle is and how large it is, before anything turns. */
  private measure(): void {
    const { body } = this;
    if (!body) return;
    const [low, high] = [new Vector3(Infinity, Infinity, Infinity), new Vector3(-Infinity, -Infinity, -Infinity)];
    this.stand(
      () => 0,
      () => 1,
    );
    for (const mesh of this.meshes) {
      mesh.geometry.computeBoundingBox();
      const box = mesh.geometry.boundingBox?.clone().applyMatrix4(mesh.matrix);
      if (!box) continue;
      low.min(box.min);
      high.max(box.max);
    }
    this.middle = low.clone().add(high).multiplyScalar(0.5);
    this.size = Math.max(1e-6, high.distanceTo(low));
    this.camera.near = 0.02 * this.size;
    this.camera.far = 12 * this.size;
  }

  /** Slid wheels that hold find the gaps of their mates where these are now; the others keep what they had. */
  slide(holds: (coupler: string) => boolean, turns: TurnsOf): void {
    for (const wheel of this.body?.sliding ?? [])
      if (holds(wheel.coupler)) this.slid.set(wheel.node, slidPhase(wheel, turns));
  }

  /** Turns everything to where it is. */
  stand(turns: TurnsOf, closed: (coupler: string) => number): void {
    this.body?.nodes.forEach((node, i) => {
      const mesh = itemAt(this.meshes, i);
      const axis = itemAt(this.body?.axes ?? [], node.axis);
      const phase = this.slid.get(i) ?? node.phase;
      mesh.matrix.fromArray([...poseOf({ ...node, phase }, axis, turns, closed)]);
      mesh.matrixWorldNeedsUpdate = true;
    });
  }

  /** Colours, what is lit and what is hidden. */
  paint(lookOf: (member: string, coupler: string | null) => MemberLook): void {
    this.body?.nodes.forEach(({ member, letsGo }, i) => {
      const mesh = itemAt(this.meshes, i);
      const look = lookOf(member, letsGo?.coupler ?? null);
      mesh.material.color = new Color(look.color);
      mesh.material.look(look);
      mesh.visible = look.shown;
    });
  }

  /** Takes a sector out, or none. */
  takeOut(cut: Cut | null): void {
    this.cut = cut;
    const wide = cut?.wide ?? 0;
    const from = (cut?.angle ?? 0) - Math.PI / 2;
    const [a, b] = this.planes as [Plane, Plane];
    const origin = new Vector3(...(this.body?.axes[this.body.main]?.origin ?? [0, 0, 0]));
    a.setFromNormalAndCoplanarPoint(new Vector3(Math.sin(from), -Math.cos(from), 0), origin);
    b.setFromNormalAndCoplanarPoint(new Vector3(-Math.sin(from + wide), Math.cos(from + wide), 0), origin);
    for (const { material } of this.meshes) {
      material.clippingPlanes = wide > 0 ? this.planes : [];
      material.clipIntersection = wide <= Math.PI;
      material.needsUpdate = true;
    }
    this.arrows.turnTo(from + wide);
  }

  /** Paints the first tooth of these gears. */
  mark(gears: readonly string[], color: string): void {
    for (const mesh of this.meshes) mesh.clear();
    this.body?.nodes.forEach(({ surface, copy }, i) => {
      for (const { part, tooth } of itemAt(this.body?.surfaces ?? [], surface).parts) {
        if (!tooth || copy > 0 || part.kind !== 'gear' || !gears.includes(part.id)) continue;
        const dot = new Mesh(this.dot, new MeshBasicMaterial({ color }));
        dot.position.set(...tooth);
        dot.scale.setScalar(0.012 * this.size);
        itemAt(this.meshes, i).add(dot);
      }
    });
  }

  /** Draws sets away from each other along the first axis, by a part of the train's length. */
  drawApart(part: number): void {
    const { body } = this;
    if (!body) return;
    const shift = drawnApart(body.figures, 0.5 * part * this.size);
    for (const { axis, surface } of body.nodes) {
      // Axes that lie across stay as they are.
      if (Math.abs(itemAt(body.axes, axis).directions[2][2]) < 0.5) continue;
      moveAlong(itemAt(this.fine, surface), itemAt(body.surfaces, surface).positions, shift);
      moveAlong(itemAt(this.plain, surface), itemAt(body.plain, surface).positions, shift);
    }
    this.arrows.drawApart(shift);
  }

  /** Puts the arrows of the power path on the face of the cut. */
  drawArrows(arrows: readonly Arrow[], color: string): void {
    this.arrows.show(this.cut && this.cut.wide > 0 ? arrows : [], color, this.size);
  }

  /** A canvas that is hidden has no size: nothing is drawn until it has one again. */
  resize(width: number, height: number, ratio: number): void {
    this.shape = { width, height, ratio };
    if (!this.isSeen()) return;
    this.camera.aspect = width / height;
    this.fit();
  }

  private isSeen(): boolean {
    return this.shape.width > 0 && this.shape.height > 0;
  }

  /** Coarser while it moves on a machine that is slow at this. */
  private fit(): void {
    const { width, height, ratio } = this.shape;
    this.renderer.setPixelRatio(this.isPlain ? ratio / 2 : ratio);
    this.renderer.setSize(width, height, false);
  }

  draw(looks: LooksFrom): void {
    this.become(this.isSlow);
    this.look(looks);
    clearTimeout(this.settling);
    if (this.isPlain)
      this.settling = setTimeout(() => {
        this.become(false);
        this.look(looks);
      }, SETTLES_MS);
  }

  /** As it is, whole, as a picture; null where the browser gives none. */
  picture(looks: LooksFrom): Promise<Blob | null> {
    this.become(false);
    this.look(looks);
    return new Promise((done) => this.renderer.domElement.toBlob(done, 'image/png'));
  }

  private become(isPlain: boolean): void {
    if (isPlain === this.isPlain) return;
    this.isPlain = isPlain;
    this.body?.nodes.forEach(({ surface }, i) => {
      itemAt(this.meshes, i).geometry = itemAt(isPlain ? this.plain : this.fine, surface);
    });
    this.fit();
  }

  private look({ around, above, far }: LooksFrom): void {
    if (!this.isSeen()) return;
    const distance = far * this.size * Math.max(1, 1 / this.camera.aspect);
    const level = Math.cos(above) * distance;
    this.camera.position.set(
      this.middle.x + level * Math.cos(around),
      this.middle.y - Math.sin(above) * distance,
      this.middle.z - level * Math.sin(around),
    );
    this.camera.lookAt(this.middle);
    this.camera.updateProjectionMatrix();
    this.renderer.render(this.scene, this.camera);
  }

  /** The part that is seen at a place of the canvas, from −1 to 1 to the right and up. */
  pick(x: number, y: number): PartRef | null {
    const ray = new Raycaster();
    ray.setFromCamera(new Vector2(x, y), this.camera);
    const hits = ray.intersectObjects(
      this.meshes.filter(({ visible }) => visible),
      false,
    );
    const hit = hits.find(({ point }) => !this.isTakenOut(point));
    if (!hit || !this.body) return null;
    const node = itemAt(this.body.nodes, this.meshes.indexOf(hit.object as (typeof this.meshes)[number]));
    const corner = 3 * (hit.faceIndex ?? 0);
    const part = itemAt(this.isPlain ? this.body.plain : this.body.surfaces, node.surface).parts.find(
      ({ from, to }) => from <= corner && corner < to,
    );
    return part?.part ?? { kind: 'member', id: node.member };
  }

  private isTakenOut(point: Vector3): boolean {
    const wide = this.cut?.wide ?? 0;
    if (wide <= 0) return false;
    const out = this.planes.map((plane) => plane.distanceToPoint(point) < 0);
    return wide <= Math.PI ? out.every(Boolean) : out.some(Boolean);
  }

  leave(): void {
    clearTimeout(this.settling);
    this.clear();
    this.arrows.leave();
    this.dot.dispose();
    this.renderer.dispose();
  }
}
