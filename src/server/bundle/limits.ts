/** What a bundle may come to, written and read alike. */
export interface BundleLimits {
  /** The zip, in bytes. */
  readonly zip: number;
  /** One file that comes out of it, and all of them, in bytes. */
  readonly file: number;
  readonly all: number;
  readonly files: number;
}

const MEGABYTE = 1_000_000;

export const BUNDLE_LIMITS: BundleLimits = {
  zip: 1000 * MEGABYTE,
  file: 25 * MEGABYTE,
  all: 2000 * MEGABYTE,
  // A zip's directory counts no further.
  files: 65_000,
};

/** "25 MB" */
export const megabytes = (bytes: number): string => `${Math.round(bytes / MEGABYTE)} MB`;

/** A bundle that cannot be written or read, in a sentence. */
export class BundleError extends Error {}
