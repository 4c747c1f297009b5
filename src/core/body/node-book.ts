import { itemAt } from '../required';
import { SurfaceBuilder, type Surface } from './surface';
import type { BodyNode } from './body-node';

type NodeOf = Omit<BodyNode, 'surface'>;

/** Gathers nodes and their surfaces while a body is made; equal planets share one surface where they can. */
export class NodeBook {
  private readonly builders: SurfaceBuilder[] = [];
  private readonly nodes: BodyNode[] = [];
  private readonly members = new Map<string, SurfaceBuilder>();

  /** The surface of a member on an axis: one for all that turns as one there. */
  member(member: string, axis: number): SurfaceBuilder {
    const key = `${axis} ${member}`;
    const known = this.members.get(key);
    if (known) return known;
    const builder = this.node({ member, axis, carried: null, phase: 0, copy: 0, letsGo: null });
    this.members.set(key, builder);
    return builder;
  }

  /** A node of its own. */
  node(node: NodeOf): SurfaceBuilder {
    const builder = new SurfaceBuilder();
    this.nodes.push({ ...node, surface: this.builders.push(builder) - 1 });
    return builder;
  }

  /** Says that a node stands elsewhere while its coupler does not hold. */
  movesWith(builder: SurfaceBuilder, letsGo: NonNullable<BodyNode['letsGo']>): void {
    const at = this.builders.indexOf(builder);
    this.nodes.forEach((node, i) => {
      if (node.surface === at) this.nodes[i] = { ...node, letsGo };
    });
  }

  /** Another node with the same surface as one made before. */
  again(node: NodeOf, like: SurfaceBuilder): void {
    this.nodes.push({ ...node, surface: this.builders.indexOf(like) });
  }

  /** All that has a surface. */
  finish(): { readonly surfaces: readonly Surface[]; readonly nodes: readonly BodyNode[] } {
    const kept = this.builders.flatMap((builder, i) => (builder.isEmpty ? [] : [i]));
    return {
      surfaces: kept.map((i) => itemAt(this.builders, i).finish()),
      nodes: this.nodes.flatMap((node) => {
        const surface = kept.indexOf(node.surface);
        return surface < 0 ? [] : [{ ...node, surface }];
      }),
    };
  }
}
