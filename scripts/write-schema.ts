import { writeFileSync } from 'node:fs';
import { jobFileJsonSchema } from '../core/src/formats/json-schema';

// Writes the JSON Schema of the job file into the docs; a test fails while they differ.
writeFileSync(
  new URL('../docs/job-file.schema.json', import.meta.url),
  `${JSON.stringify(jobFileJsonSchema(), null, 2)}\n`,
);
