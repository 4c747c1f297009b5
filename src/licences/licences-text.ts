/** What a lock file says of the packages, by the folder in which each stands. */
export interface Lock {
  readonly packages: Readonly<
    Record<string, { readonly version?: string; readonly license?: string; readonly dev?: boolean }>
  >;
}

interface Shipped {
  readonly name: string;
  readonly version: string;
  readonly licence: string;
}

/**
 * The licences of all packages that are installed with the application, as Markdown: those that only build and test it
 * are left out.
 * @throws Error naming a package whose licence the lock file does not say
 */
export function licencesText(lock: Lock): string {
  const shipped = shippedIn(lock);
  const licences = [...new Set(shipped.map(({ licence }) => licence))].sort();
  const ofEach = licences.map((licence) => {
    const packages = shipped.filter((one) => one.licence === licence);
    return `## ${licence}\n\n${packages.map(({ name, version }) => `- ${name} ${version}`).join('\n')}\n`;
  });
  return `${HEAD}\n${ofEach.join('\n')}`;
}

const HEAD = `# Licences

Written by \`npm run licences\` from the lock file. Each package brings the text of its licence in its own folder
under \`node_modules\`.
Those under OFL-1.1 are the fonts that the application sends to browsers: they may be used, copied and sent along
with it, and are not sold by themselves.
`;

function shippedIn({ packages }: Lock): readonly Shipped[] {
  const shipped = new Map<string, Shipped>();
  for (const [folder, { version = '', license, dev = false }] of Object.entries(packages)) {
    if (folder === '' || dev) continue;
    const name = folder.slice(folder.lastIndexOf('node_modules/') + 'node_modules/'.length);
    if (license === undefined) throw new Error(`The lock file does not say under which licence ${name} is.`);
    shipped.set(`${name} ${version}`, { name, version, licence: license });
  }
  return [...shipped.keys()].sort().flatMap((key) => shipped.get(key) ?? []);
}
