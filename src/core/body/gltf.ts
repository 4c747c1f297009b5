import { itemAt } from '../required';
import { FRAME, type Train } from '../train';
import { couplerName, memberName } from '../words';
import type { BodyNode, TrainBody } from './body-node';
import { BufferBook } from './gltf-buffer';
import type { Motion } from './moving';
import { about, frameTurn, times, type Quaternion } from './quaternion';

/** Red, green and blue from 0 to 1, as screens show them. */
export type ColorOf = (member: string) => readonly [number, number, number];

interface GltfNode {
  name: string;
  mesh?: number;
  children?: number[];
  translation?: readonly number[];
  rotation?: readonly number[];
  scale?: readonly number[];
}

/** A turn of the input takes so long, s. */
const TURN_S = 4;
/** Between two keys nothing turns farther than an eighth, so that it is clear which way round. */
const KEYS_PER_TURN = 8;
const TURN = 2 * Math.PI;

/**
 * The body as a binary glTF 2.0 file, in metres, upright: a node for each member, named and in its colour, with its
 * planets and halves of couplers under it, and an animation of one turn of the input.
 */
export function bodyGlb(train: Train, body: TrainBody, motion: Motion, colorOf: ColorOf): Uint8Array {
  const book = new BufferBook();
  const nodes: GltfNode[] = [];
  const members = [...new Set(body.nodes.map(({ member }) => member))];
  const meshes = body.surfaces.map(({ positions, normals, corners }, surface) => {
    const member = body.nodes.find((node) => node.surface === surface)?.member ?? FRAME;
    return {
      name: nameOf(train, member),
      primitives: [
        {
          attributes: { POSITION: book.places(positions, true), NORMAL: book.places(normals, false) },
          indices: book.corners(corners),
          material: members.indexOf(member),
        },
      ],
    };
  });
  const channels: { node: number; path: 'rotation'; turns: number; at: (part: number) => Quaternion }[] = [];
  const put = (node: GltfNode): number => nodes.push(node) - 1;
  /** A node that stands turned by so much, and turns on by so many turns. */
  const turning = (node: GltfNode, from: Quaternion, angle: number, turns: number): number => {
    const at = put({ ...node, rotation: times(from, about(angle)) });
    if (turns !== 0)
      channels.push({
        node: at,
        path: 'rotation',
        turns,
        at: (part) => times(from, about(angle + TURN * turns * part)),
      });
    return at;
  };

  const onAxis = (own: readonly BodyNode[], name: string): number => {
    const [first] = own;
    const main = own.find(({ letsGo }) => letsGo === null);
    const axis = itemAt(body.axes, first?.axis ?? 0);
    const halves = own.filter((node) => node !== main);
    const children = halves.map((half) => {
      const off = half.letsGo ? 1 - motion.closed(half.letsGo.coupler) : 0;
      const wide = 1 + off * (half.letsGo?.by.wider ?? 0);
      return put({
        name: half.letsGo ? `${name}, ${couplerName(train, half.letsGo.coupler)}` : name,
        mesh: half.surface,
        translation: [0, 0, off * (half.letsGo?.by.along ?? 0)],
        scale: [wide, wide, 1],
      });
    });
    const node = {
      name,
      ...(main && { mesh: main.surface }),
      ...(children.length > 0 && { children }),
      translation: axis.origin,
    };
    return turning(node, frameTurn(axis), main?.phase ?? 0, axis.spin * motion.turns(first?.member ?? FRAME));
  };

  const carriedRound = (own: readonly BodyNode[], name: string): number => {
    const [first] = own;
    const carrier = first?.carried?.carrier ?? FRAME;
    const axis = itemAt(body.axes, first?.axis ?? 0);
    const round = axis.spin * motion.turns(carrier);
    const children = own.flatMap(({ carried, copy, surface, member, phase }) => {
      if (!carried) return [];
      const { angle, radius, along, outward } = carried;
      const node = {
        name: own.length > 1 ? `${name} ${copy + 1}` : name,
        mesh: surface,
        translation: [radius * Math.cos(angle), radius * Math.sin(angle), along],
      };
      const turns = motion.turns(member) - motion.turns(carrier);
      return outward === null
        ? turning(node, IDENTITY, phase, axis.spin * turns)
        : turning(node, times(about(angle), OUTWARD), 0, outward * turns);
    });
    return turning({ name, children, translation: axis.origin }, frameTurn(axis), 0, round);
  };

  const tops = members.map((member) => {
    const own = body.nodes.filter((node) => node.member === member);
    const name = nameOf(train, member);
    if (own.some(({ carried }) => carried !== null)) return carriedRound(own, name);
    const axes = [...new Set(own.map(({ axis }) => axis))];
    const each = axes.map((axis) =>
      onAxis(
        own.filter((node) => node.axis === axis),
        name,
      ),
    );
    return each.length === 1 ? itemAt(each, 0) : put({ name, children: each });
  });
  // Down and away becomes up and near; mm become metres.
  const root = put({ name: train.name, children: tops, rotation: [1, 0, 0, 0], scale: [0.001, 0.001, 0.001] });
  const animation = channels.map(({ node, path, turns, at }) => {
    const keys = Math.max(2, Math.ceil(Math.abs(turns) * KEYS_PER_TURN) + 1);
    const parts = Array.from({ length: keys }, (_, i) => i / (keys - 1));
    return {
      target: { node, path },
      sampler: {
        input: book.times(parts.map((part) => part * TURN_S)),
        output: book.turns(parts.map(at)),
        interpolation: 'LINEAR',
      },
    };
  });
  return book.file({
    asset: { version: '2.0', generator: 'Tin Wheel' },
    scene: 0,
    scenes: [{ name: train.name, nodes: [root] }],
    nodes,
    meshes,
    materials: members.map((member) => ({
      name: nameOf(train, member),
      pbrMetallicRoughness: {
        baseColorFactor: [...colorOf(member).map(linear), 1],
        metallicFactor: 0.1,
        roughnessFactor: 0.6,
      },
    })),
    ...(animation.length > 0 && {
      animations: [
        {
          name: 'One turn of the input',
          samplers: animation.map(({ sampler }) => sampler),
          channels: animation.map(({ target }, sampler) => ({ sampler, target })),
        },
      ],
    }),
  });
}

const IDENTITY: Quaternion = [0, 0, 0, 1];
/** Z comes to lie outward. */
const OUTWARD: Quaternion = [0, Math.SQRT1_2, 0, Math.SQRT1_2];

export const nameOf = (train: Train, member: string): string =>
  member === FRAME ? 'Frame' : memberName(train, member);

/** Files keep colours by their light, screens by what is seen (sRGB). */
const linear = (value: number): number => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4);
