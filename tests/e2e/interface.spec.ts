/*
 * The interface for programs, asked over HTTP by a client whose types a generator made from its description: every operation
 * is called, and every answer is what the description says (checked by Ajv for JSON Schema 2020-12, which OpenAPI 3.1 uses).
 */
import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { Ajv2020 } from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import type { Page } from '@playwright/test';
import createClient from 'openapi-fetch';
import type { paths } from '../support/client/operations';
import { line, plainDocument } from '../support/documents';
import { expect, test } from './desk';

const address = process.env.IMPEGNO_ADDRESS ?? 'http://127.0.0.1:4310';

interface Described {
  readonly operationId: string;
  readonly responses: Readonly<Record<string, { readonly content?: Readonly<Record<string, unknown>> }>>;
}
interface Description {
  readonly paths: Readonly<Record<string, Readonly<Record<string, Described>>>>;
}

/** A token that may do everything its giver may, given as the owner gives one. */
async function giveToken(page: Page, name: string): Promise<string> {
  await page.goto('/settings#about=connections');
  await expect(async () => {
    await page.getByRole('button', { name: 'Give a program access' }).click();
    await expect(page.getByRole('dialog')).toBeVisible({ timeout: 1000 });
  }).toPass();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('What the program is called').fill(name);
  for (const box of await dialog.getByRole('checkbox').all()) await box.check();
  await dialog.getByRole('button', { name: 'Give it' }).click();
  const token = await dialog.getByLabel('Token').inputValue();
  await dialog.getByRole('button', { name: 'I have it' }).click();
  return token;
}

/** Notes which operation each answer is of, and what in it is not as described. */
function watching(description: Description) {
  const ajv = new Ajv2020({ strict: false, allErrors: true });
  addFormats.default(ajv);
  ajv.addFormat('emails', true);
  ajv.addFormat('binary', true);
  ajv.addSchema(description, 'description');
  const pointer = (...parts: string[]) =>
    `description#/${parts.map((part) => encodeURIComponent(part.replaceAll('~', '~0').replaceAll('/', '~1'))).join('/')}`;
  const called = new Set<string>();
  const wrong: string[] = [];
  return {
    called,
    wrong,
    async note(path: string, method: string, response: Response) {
      const { operationId, responses } = description.paths[path]![method]!;
      const status = String(response.status);
      if (response.status < 400) called.add(operationId);
      const said = responses[status] ? status : '4XX';
      const media = (response.headers.get('content-type') ?? '').split(';')[0]!;
      const content = responses[said]?.content;
      if (content === undefined ? response.status !== 204 : !(media in content || '*/*' in content)) {
        wrong.push(`${operationId}: ${status} ${media} is not described`);
        return;
      }
      // A file is what it is.
      if (content === undefined || /"binary"/.test(JSON.stringify(content[media] ?? content['*/*']))) return;
      const validate = ajv.getSchema(
        pointer('paths', path, method, 'responses', said, 'content', media, 'schema'),
      )!;
      if (!validate(await response.clone().json()))
        wrong.push(`${operationId}: ${ajv.errorsText(validate.errors)}`);
    },
  };
}

const day = (at: Date) => at.toISOString().slice(0, 10);
const as = { parseAs: 'arrayBuffer' } as const;
const of = (id: string) => ({ params: { path: { id } } });

/** What was answered; a refusal fails the test with its sentence. */
function got<T>({ data, error }: { data?: T; error?: unknown }): T {
  expect(error ?? null).toBeNull();
  return data as T;
}

test('every operation of the interface answers as it is described', async ({ page }) => {
  test.setTimeout(120_000);
  const description = (await (await fetch(`${address}/api/v1/openapi.json`)).json()) as Description;
  const token = await giveToken(page, `Client ${Date.now()}`);
  const watched = watching(description);
  const client = createClient<paths>({
    baseUrl: `${address}/api/v1`,
    headers: { authorization: `Bearer ${token}` },
  });
  client.use({
    onResponse: async ({ schemaPath, request, response }) =>
      watched.note(schemaPath, request.method.toLowerCase(), response),
  });
  const key = `client-${Date.now()}`;

  const access = got(await client.GET('/access'));
  expect(access).toMatchObject({ name: 'Perrin Ashdown', company: { currency: 'USD', demo: true } });

  const news = got(
    await client.POST('/webhooks', {
      body: { address: 'https://news.customer.example/impegno', events: ['invoice.issued'] },
    }),
  );
  expect(got(await client.GET('/webhooks')).rows.map(({ id }) => id)).toContain(news.id);
  got(await client.DELETE('/webhooks/{id}', of(news.id)));

  // A customer, and where the work is.
  const billing = { street: '9 Client Row', city: 'Marrowby', region: '', postcode: '10001', country: 'US' };
  const plain = { name: 'Client Customer', contactName: '', email: 'client@customer.example', phone: '' };
  const made = got(await client.POST('/customers', { body: { ...plain, billing, internalNote: '' } }));
  const customer = got(await client.GET('/customers/{id}', of(made.id)));
  expect(customer.sites.map(({ id }) => id)).toEqual([made.siteId]);
  got(
    await client.PUT('/customers/{id}', {
      ...of(made.id),
      body: { ...plain, billing, internalNote: 'Called by a program' },
    }),
  );
  const site = got(
    await client.POST('/customers/{id}/sites', {
      ...of(made.id),
      body: { address: { ...billing, street: '10 Client Row' }, internalNote: '' },
    }),
  );
  got(
    await client.PUT('/customers/{id}/sites/{site}', {
      params: { path: { id: made.id, site: site.id } },
      body: { address: { ...billing, street: '11 Client Row' }, internalNote: '' },
    }),
  );
  got(await client.GET('/customers', { params: { query: { search: 'client customer', limit: 1 } } }));
  got(await client.GET('/customers/{id}/account.pdf', { ...of(made.id), ...as }));

  // A proposal: begun, its document put in place, sent, and agreed to by phone.
  const where = { customerId: made.id, siteId: site.id };
  got(await client.GET('/templates'));
  const begun = got(
    await client.POST('/proposals', { body: { ...where, title: 'Porch by a program', templateId: null } }),
  );
  const read = got(await client.GET('/proposals/{id}', of(begun.id)));
  const taxClass = read.document.taxClasses[0]!.id;
  const { sections } = plainDocument([
    {
      id: 's1',
      title: 'Deck',
      entries: [line('l1', '12', '417.31', { taxClass }), line('l2', '1', '77.77', { taxClass })],
    },
  ]);
  const saved = got(
    await client.PUT('/proposals/{id}/document', {
      ...of(begun.id),
      body: {
        saveNumber: read.saveNumber,
        document: { ...read.document, sections: sections as never, stages: [{ name: 'Frame' }] },
      },
    }),
  );
  const late = await client.PUT('/proposals/{id}/document', {
    ...of(begun.id),
    body: { saveNumber: read.saveNumber, document: { ...read.document, title: 'Too late' } },
  });
  expect(late.error).toMatchObject({ code: 'changed-meanwhile', status: 409 });
  const picture = got(
    await client.POST('/files', {
      params: { query: { kind: 'picture', name: 'Porch' } },
      body: (await readFile('src/gateways/plans/rear-porch.png')) as never,
      bodySerializer: (bytes: unknown) => bytes as never,
      headers: { 'content-type': 'image/png' },
    }),
  );
  got(await client.GET('/files/{id}', { ...of(picture.id), ...as }));
  got(await client.GET('/proposals/{id}/proposal.pdf', { ...of(begun.id), ...as }));
  got(await client.GET('/proposals/{id}/document.json', { ...of(begun.id), ...as }));
  const sent = got(
    await client.POST('/proposals/{id}/send', {
      ...of(begun.id),
      body: { saveNumber: saved.saveNumber, to: plain.email, words: 'Good day,' },
    }),
  );
  expect(sent.address).toContain('/b/');
  const { offered, document } = got(await client.GET('/proposals/{id}', of(begun.id)));
  const agreed = got(
    await client.POST('/proposals/{id}/accept', {
      ...of(begun.id),
      body: {
        ...{ ...offered!, signerName: 'Client Customer', idempotencyKey: key },
        told: { kind: 'told', how: 'by phone', on: day(new Date(Date.now() - 86_400_000)), words: '' },
      },
    }),
  );
  const copy = got(
    await client.POST('/proposals/{id}/copy', {
      ...of(begun.id),
      body: { ...where, title: 'Porch again', costs: 'kept' },
    }),
  );
  got(await client.POST('/proposals/{id}/withdraw', of(copy.id)));
  got(await client.POST('/proposals/import', { body: { ...where, document } }));
  got(await client.GET('/proposals', { params: { query: { state: 'draft,sent', limit: 3 } } }));

  // The agreement: its stages, what it cost, what is billed and paid.
  const agreement = got(await client.GET('/agreements/{id}', of(agreed.agreementId)));
  expect(agreement.total).toBe(offered!.total);
  got(await client.GET('/agreements', { params: { query: { limit: 200 } } }));
  got(
    await client.POST('/agreements/{id}/stages', {
      ...of(agreement.id),
      body: { name: 'Frame', percent: '50' },
    }),
  );
  expect(got(await client.GET('/agreements/{id}', of(agreement.id))).stages[0]).toMatchObject({
    name: 'Frame',
    percent: '50',
  });
  const { rows: signed } = got(await client.GET('/agreements/{id}/certificates', of(agreement.id)));
  const statement = got(
    await client.GET('/agreements/{id}/statements/{sha256}', {
      params: { path: { id: agreement.id, sha256: signed[0]!.sha256 } },
      ...as,
    }),
  ) as ArrayBuffer;
  expect(createHash('sha256').update(Buffer.from(statement)).digest('hex')).toBe(signed[0]!.sha256);
  got(
    await client.PUT('/agreements/{id}/draft', {
      ...of(agreement.id),
      body: {
        ...{ what: { amount: '10.00' }, title: 'In work', remark: '' },
        shows: { unbilled: 'hidden', bundles: 'agreed' },
      },
    }),
  );
  got(await client.GET('/agreements/{id}/draft.pdf', { ...of(agreement.id), ...as }));
  got(await client.DELETE('/agreements/{id}/draft', of(agreement.id)));
  got(
    await client.POST('/agreements/{id}/costs', {
      ...of(agreement.id),
      body: {
        ...{ what: 'Boards', costType: 'material', spentOn: day(new Date()), amount: '120.50', supplier: '' },
        idempotencyKey: key,
      },
    }),
  );
  got(
    await client.POST('/agreements/{id}/costs.csv', {
      ...of(agreement.id),
      body: `date,what,cost_type,amount\n${day(new Date())},Screws,material,14.20\n` as never,
      bodySerializer: (text: unknown) => text as never,
      headers: { 'content-type': 'text/csv' },
    }),
  );
  const costs = got(await client.GET('/costs', { params: { query: { search: 'screws' } } }));
  expect(costs.rows.at(-1)).toMatchObject({ what: 'Screws', amount: '14.20' });
  got(await client.GET('/agreements/{id}/job.csv', { ...of(agreement.id), ...as }));
  const bill = got(
    await client.POST('/invoices', {
      body: { agreementId: agreement.id, what: { amount: '500.00' }, seen: agreement.invoices.length },
    }),
  );
  const invoice = got(await client.GET('/invoices/{id}', of(bill.id)));
  expect([invoice.total, invoice.open, invoice.number]).toEqual(['500.00', '500.00', bill.number]);
  got(
    await client.POST('/invoices/{id}/send', {
      ...of(bill.id),
      body: { send: { to: plain.email, words: '', attach: { invoice: true } } },
    }),
  );
  got(await client.GET('/invoices/{id}/invoice.pdf', { ...of(bill.id), ...as }));
  got(await client.GET('/invoices/{id}/invoice.xml', { ...of(bill.id), ...as }));
  got(await client.GET('/invoices/{id}/statement.pdf', { ...of(bill.id), ...as }));
  const payment = {
    ...{ agreementId: agreement.id, method: 'cheque' as const, amount: '200.00', reference: 'No. 7' },
    ...{ receivedOn: day(new Date()), idempotencyKey: key, sure: true, first: bill.id },
  };
  const paid = got(await client.POST('/payments', { body: payment }));
  // An answer that was lost: asked again, it is recorded once.
  expect(got(await client.POST('/payments', { body: payment })).id).toBe(paid.id);
  expect(got(await client.GET('/invoices/{id}', of(bill.id))).open).toBe('300.00');
  got(await client.GET('/payments/{id}/receipt.pdf', { ...of(paid.id), ...as }));
  got(
    await client.POST('/payments/{id}/reversal', {
      ...of(paid.id),
      body: { kind: 'void', reason: 'It was another one’s', idempotencyKey: `${key}-void` },
    }),
  );
  expect(got(await client.GET('/invoices/{id}', of(bill.id))).open).toBe('500.00');
  got(
    await client.POST('/invoices/{id}/credit', {
      ...of(bill.id),
      body: { what: { whole: true }, remark: 'Billed by a program' },
    }),
  );
  expect(got(await client.GET('/agreements/{id}', of(agreement.id)))).toMatchObject({
    ...{ billed: agreement.billed, paid: agreement.paid, leftToBill: agreement.leftToBill },
  });
  got(await client.GET('/invoices', { params: { query: { limit: 2 } } }));
  got(await client.GET('/payments', { params: { query: { kind: 'void' } } }));

  // The library.
  const item = {
    ...{ code: key.slice(-30), name: 'Joist hanger', detail: '', trade: 'Carpentry', unit: 'each' as const },
    costs: [{ type: 'material' as const, amount: '2.40' }],
    ...{ taxClass: 'standard', costCode: '', tags: [], internalNote: '' },
  };
  const added = got(await client.POST('/library/items', { body: item }));
  got(
    await client.PUT('/library/items/{id}', {
      ...of(added.id),
      body: { ...item, costs: [{ type: 'material', amount: '2.55' }] },
    }),
  );
  expect(got(await client.GET('/library/items/{id}', of(added.id))).item.costs).toEqual([
    { type: 'material', amount: '2.55' },
  ]);
  const bundle = {
    ...{ code: `${key.slice(-28)}-B`, name: 'Hangers', detail: '', trade: 'Carpentry', tags: [] },
    ...{ internalNote: '', shows: 'one' as const },
    recipe: { inputs: [], grades: [], parts: [{ id: 'p', name: 'p', item: added.id, quantity: '4' }] },
  };
  const kept = got(await client.POST('/library/bundles', { body: bundle }));
  got(
    await client.PUT('/library/bundles/{id}', {
      ...of(kept.id),
      body: { edition: kept.edition, bundle: { ...bundle, name: 'Hangers, four' } },
    }),
  );
  expect(got(await client.GET('/library/bundles/{id}', of(kept.id))).bundle.name).toBe('Hangers, four');
  got(await client.POST('/library/bundles/{id}/retire', { ...of(kept.id), body: { retired: true } }));
  got(await client.POST('/library/items/{id}/retire', { ...of(added.id), body: { retired: true } }));
  got(await client.GET('/library', { params: { query: { kind: 'bundle', limit: 5 } } }));
  got(await client.GET('/library.csv', as));
  got(await client.GET('/library.xlsx', as));

  // What the demo has: a plan that was traced, letters with papers, a batch for the accountant.
  const { rows: proposals } = got(await client.GET('/proposals', { params: { query: { limit: 200 } } }));
  const planned = await (async () => {
    for (const { id } of proposals) {
      const { document: each } = got(await client.GET('/proposals/{id}', of(id)));
      for (const { id: plan } of each.plans ?? []) return { id, plan };
    }
    throw new Error('no plan');
  })();
  got(await client.GET('/proposals/{id}/plans/{plan}', { params: { path: planned }, ...as }));
  const { rows: letters } = got(await client.GET('/messages', { params: { query: { limit: 200 } } }));
  const papers = letters.find(({ attachments }) => attachments.length > 0)!;
  got(await client.GET('/messages/{id}/attachments', { ...of(papers.id), ...as }));
  const batch = got(await client.POST('/batches', { body: { from: day(new Date()), to: day(new Date()) } }));
  const { rows: batches } = got(await client.GET('/batches'));
  expect(batches.map(({ id }) => id)).toContain(batch.id);
  got(await client.GET('/batches/{id}/items.csv', { ...of(batch.id), ...as }));
  got(await client.GET('/batches/{id}/journal.csv', { ...of(batch.id), ...as }));
  const { rows: acts } = got(
    await client.GET('/history', { params: { query: { of: agreement.id, limit: 200 } } }),
  );
  expect(acts.map(({ act }) => act)).toContain('payment recorded');
  got(await client.GET('/lists/{list}', { params: { path: { list: 'stages' } }, ...as }));
  got(await client.GET('/reports.csv', { params: { query: { list: 'sellers' } }, ...as }));
  got(await client.GET('/reports/money', { params: { query: { show: 'age' } }, ...as }));
  got(await client.GET('/reports/tax', as));
  got(await client.GET('/due-dates.ics', as));

  expect(watched.wrong).toEqual([]);
  const all = Object.values(description.paths).flatMap((methods) =>
    Object.values(methods).map(({ operationId }) => operationId),
  );
  expect(all.filter((id) => !watched.called.has(id))).toEqual([]);
});
