import * as core from '@lintrel/core';
import { toJsonSchema, toJsonSchemaDefs } from '@valibot/to-json-schema';
import * as v from 'valibot';
import { SESSION_COOKIE } from './requester';
import { type Route, route } from './route';

// The reference of the HTTP routes, made from their table: OpenAPI 3.1, whose schemas are JSON Schema 2020-12.

type Schema = v.GenericSchema;

const isSchema = (value: unknown): value is Schema =>
  typeof value === 'object' && value !== null && (value as { kind?: unknown }).kind === 'schema';

/** Schemas of core by name: they are described once and referred to where they are used. */
const NAMED: Readonly<Record<string, Schema>> = Object.fromEntries(
  Object.entries(core).flatMap(([name, value]) =>
    name.endsWith('Schema') && isSchema(value) ? [[name.slice(0, -'Schema'.length), value]] : [],
  ),
);

/** What goes over the wire; checks JSON Schema cannot express are left out. */
const CONFIG = {
  typeMode: 'input',
  errorMode: 'ignore',
  target: 'draft-2020-12',
  overrideRef: ({ referenceId }: { readonly referenceId: string }) => `#/components/schemas/${referenceId}`,
} as const;

/** The schema of a body or an answer: a reference where it has a name. */
function wireSchema(schema: Schema): object {
  const name = nameOfSchema(schema);
  if (name !== null) return { $ref: `#/components/schemas/${name}` };
  const { $schema: _draft, $defs: _named, ...own } = toJsonSchema(schema, { ...CONFIG, definitions: { ...NAMED } });
  return own;
}

/** The name of a schema of core; null where it has none. */
const nameOfSchema = (schema: Schema): string | null =>
  Object.entries(NAMED).find(([, named]) => named === schema)?.[0] ?? null;

const parametersIn = (path: string) =>
  [...path.matchAll(/:(\w+)/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: { type: 'string' },
  }));

const json = (schema: object) => ({ 'application/json': { schema } });

function responseOf({ answer, status }: Route): object {
  if (answer === 'nothing') return { 204: { description: 'Done.' } };
  if (answer === 'own') return { 200: { description: 'A file, or a stream.' } };
  return { [status ?? 200]: { description: 'Done.', content: json(wireSchema(answer)) } };
}

function bodyOfRoute({ body, reads }: Route): object {
  if (reads === 'bytes')
    return { requestBody: { required: true, content: { 'application/octet-stream': { schema: {} } } } };
  return body ? { requestBody: { required: true, content: json(wireSchema(body)) } } : {};
}

const operationOf = (candidate: Route): object => ({
  operationId: [candidate.method.toLowerCase(), ...candidate.path.split(/[^A-Za-z0-9]+/).filter(Boolean)].join('-'),
  description: `Permission: ${candidate.right}.`,
  ...(candidate.right === 'open' ? { security: [] } : {}),
  ...(candidate.path.includes(':') ? { parameters: parametersIn(candidate.path) } : {}),
  ...bodyOfRoute(candidate),
  responses: {
    ...responseOf(candidate),
    default: { description: 'Refused, with a code and a message.', content: json(wireSchema(core.errorSchema)) },
  },
});

/** Schemas some routes refer to, with those these refer to in turn. */
function referredTo(paths: object): Readonly<Record<string, object>> {
  const all: Readonly<Record<string, object>> = toJsonSchemaDefs(NAMED, CONFIG);
  const found: Record<string, object> = {};
  const follow = (value: object): void => {
    for (const [, name] of JSON.stringify(value).matchAll(/#\/components\/schemas\/(\w+)/g)) {
      const schema = all[name!];
      if (!schema || found[name!]) continue;
      found[name!] = schema;
      follow(schema);
    }
  };
  follow(paths);
  return Object.fromEntries(Object.entries(found).sort(([a], [b]) => (a < b ? -1 : 1)));
}

/** OpenAPI document of some routes. */
export function openApiOf(routes: readonly Route[]): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const candidate of routes) {
    const path = candidate.path.replace(/:(\w+)/g, '{$1}');
    paths[path] = { ...paths[path], [candidate.method.toLowerCase()]: operationOf(candidate) };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Lintrel', version: '1' },
    servers: [{ url: '/api' }],
    security: [{ session: [] }],
    paths,
    components: {
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: SESSION_COOKIE } },
      schemas: referredTo(paths),
    },
  };
}

const shownSchema = (schema: Schema): string => nameOfSchema(schema) ?? 'described there';

const shownAnswer = (answer: Route['answer']): string =>
  answer === 'nothing' ? '–' : answer === 'own' ? 'file or stream' : shownSchema(answer);

const shownBody = ({ body, reads }: Route): string => (reads === 'bytes' ? 'bytes' : body ? shownSchema(body) : '–');

/** The routes as a page of the docs. */
export function httpPage(routes: readonly Route[]): string {
  const rows = routes.map(
    (candidate) =>
      `| ${candidate.method} | \`/api${candidate.path}\` | ${candidate.right} | ${shownBody(candidate)} | ${shownAnswer(candidate.answer)} |`,
  );
  return `# HTTP routes

Written from the table of routes (\`server/src/http/routes.ts\`) by \`npm run schema\`; a test fails while it differs. Bodies and answers are
described in [openapi.json](openapi.json) (OpenAPI 3.1), which a server also serves at \`/api/openapi.json\` to signed-in people. A
refusal has a code and a message (schema \`error\`). Permissions by role: \`core/src/api/people.ts\`.

| method | path | permission | body | answer |
|---|---|---|---|---|
${rows.join('\n')}
`;
}

/** Serves the document of some routes and of itself; it is made when it is first asked for. */
export function openApiRoutes(others: readonly Route[]): readonly Route[] {
  let document: Record<string, unknown> | null = null;
  const routes: Route[] = [
    ...others,
    route({
      method: 'GET',
      path: '/openapi.json',
      right: 'signed',
      answer: v.record(v.string(), v.unknown()),
      work: () => (document ??= openApiOf(routes) as Record<string, unknown>),
    }),
  ];
  return routes.slice(others.length);
}
