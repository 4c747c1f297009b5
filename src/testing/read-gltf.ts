import { execFileSync } from 'node:child_process';

/** What another program reads in a binary glTF file. */
export interface ReadGltf {
  readonly nodes: readonly { readonly name: string; readonly triangles: number }[];
  /** Which nodes turn, and how: quaternions one after another. */
  readonly turning: readonly { readonly name: string; readonly keys: readonly (readonly number[])[] }[];
}

// The reader is a module of another kind than tests are made of, so it runs by itself.
const READER = `
import { NodeIO } from '@gltf-transform/core';
const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
const root = (await new NodeIO().readBinary(new Uint8Array(Buffer.concat(chunks)))).getRoot();
const keysOf = (output) => Array.from({ length: output.getCount() }, (_, i) => output.getElement(i, []));
process.stdout.write(JSON.stringify({
  nodes: root.listNodes().map((node) => ({
    name: node.getName(),
    triangles: (node.getMesh()?.listPrimitives() ?? []).reduce((sum, one) => sum + one.getIndices().getCount() / 3, 0),
  })),
  turning: root.listAnimations().flatMap((animation) => animation.listChannels().map((channel) => ({
    name: channel.getTargetNode().getName(),
    keys: keysOf(channel.getSampler().getOutput()),
  }))),
}));
`;

/** @throws Error where it cannot be read */
export function readGltf(file: Uint8Array): ReadGltf {
  const told = execFileSync(process.execPath, ['--input-type=module', '-e', READER], {
    input: file,
    maxBuffer: 1e8,
  });
  return JSON.parse(told.toString()) as ReadGltf;
}
