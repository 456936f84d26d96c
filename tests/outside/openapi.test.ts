/*
 * The description of the interface, read by programs that know nothing of this product: the linter of @redocly/openapi-core
 * (its strict set of rules for OpenAPI 3.1) and the generator openapi-typescript.
 */
import { readFile } from 'node:fs/promises';
import { createConfig, lintFromString } from '@redocly/openapi-core';
import product from '../../package.json' with { type: 'json' };
import { openApi } from '@/services/programs/openapi';
import { operations } from '@/services/programs/operations';
import { clientPath, clientTypes } from '../support/client/generate';

const lint = async (document: unknown) =>
  (
    await lintFromString({
      source: JSON.stringify(document),
      config: await createConfig({ extends: ['recommended-strict'] }),
    })
  ).map(({ ruleId, message }) => `${ruleId}: ${message}`);

test('a linter finds nothing wrong in it, and would', async () => {
  expect(await lint(openApi(product.version))).toEqual([]);
  const broken = structuredClone(openApi(product.version)) as {
    paths: Record<string, Record<string, unknown>>;
  };
  delete broken.paths['/customers/{id}']!.get;
  (broken.paths['/customers']!.get as { operationId: string }).operationId = 'listProposals';
  (broken.paths['/invoices/{id}']!.get as { parameters: unknown[] }).parameters = [];
  expect((await lint(broken)).map((line) => line.split(':')[0])).toEqual(
    expect.arrayContaining(['operation-operationId-unique', 'path-parameters-defined']),
  );
}, 60_000);

test('the client the tests ask with is made from it as it is', async () => {
  expect(await readFile(clientPath, 'utf8')).toBe(await clientTypes());
}, 60_000);

test('each operation stands in it once, with a door of its own', () => {
  const { paths } = openApi(product.version) as {
    paths: Record<string, Record<string, { operationId: string }>>;
  };
  const described = Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, { operationId }]) => `${operationId} ${method} ${path}`),
  );
  expect(described.sort()).toEqual(
    operations.map(({ id, method, path }) => `${id} ${method} ${path}`).sort(),
  );
  expect(new Set(operations.map(({ id }) => id)).size).toBe(operations.length);
});
