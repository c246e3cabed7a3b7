import { toJsonSchema } from '@valibot/to-json-schema';
import { jobFileSchema } from './job-file';

/** JSON Schema of the job file, generated from the schema that reads it. Checks JSON Schema cannot express are left out. */
export function jobFileJsonSchema(): Record<string, unknown> {
  const schema = toJsonSchema(jobFileSchema, { errorMode: 'ignore' });
  return { ...schema, title: 'Lintrel job file, version 1' } as Record<string, unknown>;
}
