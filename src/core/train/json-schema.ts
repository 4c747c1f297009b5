import { z } from 'zod';
import { trainSchema } from './schema';

/** The document's shape as JSON Schema, for other programs; the rules that tie parts together are in docs/train-format.md. */
export const trainJsonSchema = (): unknown => ({ title: 'Tin Wheel train', ...z.toJSONSchema(trainSchema) });
