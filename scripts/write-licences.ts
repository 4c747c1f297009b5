import { readFileSync, writeFileSync } from 'node:fs';
import { licencesText, type Lock } from '../src/licences/licences-text';

/** `npm run licences`: writes docs/licences.md anew from the lock file. */
writeFileSync('docs/licences.md', licencesText(JSON.parse(readFileSync('package-lock.json', 'utf8')) as Lock));
