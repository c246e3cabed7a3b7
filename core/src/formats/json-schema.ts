import { toJsonSchema } from '@valibot/to-json-schema';
import { JOB_FILE_VERSION, newestFileSchema } from './job-file';

/** JSON Schema of the job file, generated from the schema that reads it. Checks JSON Schema cannot express are left out. */
export function jobFileJsonSchema(): Record<string, unknown> {
  const schema = toJsonSchema(newestFileSchema, { errorMode: 'ignore' });
  return { ...schema, title: `Lintrel job file, version ${JOB_FILE_VERSION}` } as Record<string, unknown>;
}
