import type { Quaternion } from './quaternion';

/** Numbers of glTF: kinds of figures, and of what they are for. */
const FLOAT = 5126;
const UNSIGNED_INT = 5125;
const VERTICES = 34962;
const CORNERS = 34963;
const MAGIC = 0x46546c67;
const JSON_CHUNK = 0x4e4f534a;
const BINARY_CHUNK = 0x004e4942;

interface Accessor {
  readonly bufferView: number;
  readonly componentType: number;
  readonly count: number;
  readonly type: 'SCALAR' | 'VEC3' | 'VEC4';
  readonly min?: readonly number[];
  readonly max?: readonly number[];
}

/** Gathers the figures of a glTF file, and puts it together. */
export class BufferBook {
  private readonly pieces: Uint8Array[] = [];
  private readonly views: { buffer: 0; byteOffset: number; byteLength: number; target?: number }[] = [];
  private readonly accessors: Accessor[] = [];
  private length = 0;

  /** Places or directions; of places the format asks for their bounds. */
  places(values: Float32Array, bounded: boolean): number {
    const low = [Infinity, Infinity, Infinity];
    const high = [-Infinity, -Infinity, -Infinity];
    if (bounded)
      values.forEach((value, i) => {
        low[i % 3] = Math.min(low[i % 3] ?? value, value);
        high[i % 3] = Math.max(high[i % 3] ?? value, value);
      });
    const bufferView = this.view(values, VERTICES);
    const bounds = bounded ? { min: low, max: high } : {};
    return this.accessor({ bufferView, componentType: FLOAT, count: values.length / 3, type: 'VEC3', ...bounds });
  }

  corners(values: Uint32Array): number {
    const bufferView = this.view(values, CORNERS);
    return this.accessor({ bufferView, componentType: UNSIGNED_INT, count: values.length, type: 'SCALAR' });
  }

  times(values: readonly number[]): number {
    const bufferView = this.view(Float32Array.from(values));
    const bounds = { min: [Math.min(...values)], max: [Math.max(...values)] };
    return this.accessor({ bufferView, componentType: FLOAT, count: values.length, type: 'SCALAR', ...bounds });
  }

  turns(values: readonly Quaternion[]): number {
    const bufferView = this.view(Float32Array.from(values.flat()));
    return this.accessor({ bufferView, componentType: FLOAT, count: values.length, type: 'VEC4' });
  }

  /** The whole file: a head, its text, its figures. */
  file(text: object): Uint8Array {
    const json = new TextEncoder().encode(
      JSON.stringify({
        ...text,
        buffers: [{ byteLength: this.length }],
        bufferViews: this.views,
        accessors: this.accessors,
      }),
    );
    const textLength = 4 * Math.ceil(json.length / 4);
    const bytes = new Uint8Array(12 + 8 + textLength + 8 + this.length);
    const view = new DataView(bytes.buffer);
    [MAGIC, 2, bytes.length, textLength, JSON_CHUNK].forEach((value, i) => view.setUint32(4 * i, value, true));
    // What fills the text up has to be blank.
    bytes.fill(0x20, 20, 20 + textLength);
    bytes.set(json, 20);
    let at = 20 + textLength;
    view.setUint32(at, this.length, true);
    view.setUint32(at + 4, BINARY_CHUNK, true);
    at += 8;
    for (const piece of this.pieces) {
      bytes.set(piece, at);
      at += piece.length;
    }
    return bytes;
  }

  private accessor(accessor: Accessor): number {
    return this.accessors.push(accessor) - 1;
  }

  /** All figures have four bytes, so that each piece begins where it may. */
  private view(values: Float32Array | Uint32Array, target?: number): number {
    const piece = new Uint8Array(values.buffer, values.byteOffset, values.byteLength);
    const view = { buffer: 0 as const, byteOffset: this.length, byteLength: piece.length };
    this.pieces.push(piece);
    this.length += piece.length;
    return this.views.push(target === undefined ? view : { ...view, target }) - 1;
  }
}
