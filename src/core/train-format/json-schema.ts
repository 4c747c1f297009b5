import { toJSONSchema } from 'zod/mini';
import { trainSchema } from '../train';

/**
 * The document's shape as JSON Schema, for other programs; the rules that tie parts together are in
 * docs/train-format.md.
 */
export const trainJsonSchema = (): unknown => ({ title: 'Tin Wheel train', ...toJSONSchema(trainSchema) });
