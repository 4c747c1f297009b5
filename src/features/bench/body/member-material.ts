import { Color, DoubleSide, MeshLambertMaterial, type Plane } from 'three';

/** What a member is made of: its colour in the light, and flat and hatched where it is cut. */
export class MemberMaterial extends MeshLambertMaterial {
  private readonly lit = { value: 1 };

  constructor(planes: readonly Plane[]) {
    super({ side: DoubleSide, clippingPlanes: [...planes], clipIntersection: true });
    // Where a closed body is cut, the first of it that is seen behind the cut is its inside: nothing else can be within
    // it. So the inside, drawn flat, is the face of the cut.
    this.onBeforeCompile = (shader) => {
      shader.uniforms.lit = this.lit;
      shader.fragmentShader = shader.fragmentShader
        .replace('void main() {', 'uniform float lit;\nvoid main() {')
        .replace(
          '#include <opaque_fragment>',
          `if (!gl_FrontFacing) {
             float stripe = step(0.82, fract((gl_FragCoord.x + gl_FragCoord.y) / 9.0));
             outgoingLight = mix(diffuse, vec3(1.0), 0.22) * (1.0 - 0.35 * stripe) + 0.6 * emissive;
           }
           outgoingLight = mix(vec3(dot(outgoingLight, vec3(0.35, 0.5, 0.15))) * 0.35 + outgoingLight * 0.65, outgoingLight, lit);
           #include <opaque_fragment>`,
        );
    };
  }

  /** Paler where it carries nothing, and shining where it is pointed at. */
  look({ lit, pointed }: { readonly lit: boolean; readonly pointed: boolean }): void {
    this.lit.value = lit ? 1 : 0;
    this.emissive = pointed ? new Color(0.28, 0.22, 0.05) : new Color(0, 0, 0);
  }
}
