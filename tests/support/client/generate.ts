import path from 'node:path';
import openapiTS, { astToString } from 'openapi-typescript';
import product from '../../../package.json' with { type: 'json' };
import { openApi } from '@/services/programs/openapi';

/** Where the types of the client are kept. */
export const clientPath = path.join(process.cwd(), 'tests', 'support', 'client', 'operations.d.ts');

/** The types of a client, made from the description of the interface by a generator that knows nothing of this product. */
export async function clientTypes(): Promise<string> {
  const described = structuredClone(openApi(product.version));
  return `// Made by \`npm run client\` from the description of the interface. Not edited by hand.\n${astToString(await openapiTS(described as never))}`;
}
