import { writeFileSync } from 'node:fs';
import { jobFileJsonSchema } from '../core/src/formats/json-schema';
import { httpPage, openApiOf } from '../server/src/http/openapi';
import { ROUTES } from '../server/src/http/routes';

// Writes the JSON Schema of the job file and the reference of the HTTP routes into the docs; tests fail while they differ.
const write = (name: string, text: string) => writeFileSync(new URL(`../docs/${name}`, import.meta.url), text);
write('job-file.schema.json', `${JSON.stringify(jobFileJsonSchema(), null, 2)}\n`);
write('openapi.json', `${JSON.stringify(openApiOf(ROUTES))}\n`);
write('http.md', httpPage(ROUTES));
