import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { httpPage, openApiOf } from './openapi';
import { ROUTES } from './routes';

const kept = (name: string) => readFileSync(join(__dirname, '../../../docs', name), 'utf8');
const written = JSON.stringify(openApiOf(ROUTES));
const document = JSON.parse(written) as {
  paths: Record<string, Record<string, { operationId: string; parameters?: { name: string }[] }>>;
  components: { schemas: Record<string, unknown> };
};

it('the reference in the docs is the one the table of routes gives', () => {
  expect(kept('openapi.json')).toBe(`${written}\n`);
  expect(kept('http.md')).toBe(httpPage(ROUTES));
});
it('has every route once, with the parameters of its path', () => {
  const operations = Object.entries(document.paths).flatMap(([path, methods]) =>
    Object.values(methods).map((operation) => ({ path, ...operation })),
  );
  expect(operations).toHaveLength(ROUTES.length);
  expect(new Set(operations.map(({ operationId }) => operationId)).size).toBe(ROUTES.length);
  for (const { path, parameters = [] } of operations)
    expect(parameters.map(({ name }) => `{${name}}`)).toEqual(path.match(/\{\w+\}/g) ?? []);
});
it('describes every schema that is referred to, and none besides', () => {
  const referred = [...written.matchAll(/"\$ref":"([^"]*)"/g)].map(([, ref]) =>
    ref!.replace('#/components/schemas/', ''),
  );
  expect([...new Set(referred)].sort()).toEqual(Object.keys(document.components.schemas).sort());
});
