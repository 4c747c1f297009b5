import { writeFileSync } from 'node:fs';
import { trainJsonSchema } from '../src/core/train-format';

/** `npm run schema`: writes docs/train.schema.json anew from the Zod schema. */
writeFileSync('docs/train.schema.json', `${JSON.stringify(trainJsonSchema(), null, 2)}\n`);
