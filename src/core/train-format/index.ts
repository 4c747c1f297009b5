export { trainJsonSchema } from './json-schema';
