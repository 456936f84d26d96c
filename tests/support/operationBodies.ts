import { testDocument } from './desk';

/* What each operation that takes JSON can be sent, well-formed: only what it is about may be another's. */

/** Identities that stand in what is sent. */
export interface Known {
  readonly customer: string;
  readonly site: string;
  readonly proposal: string;
  readonly agreement: string;
  readonly invoice: string;
  readonly item: string;
}

const address = { street: '1 Test Way', city: 'Marrowby', region: '', postcode: '10001', country: 'US' };

const customer = {
  ...{ name: 'Somebody Else', contactName: '', email: '', phone: '', billing: address, internalNote: '' },
};

const itemOf = (code: string) => ({
  ...{ code, name: 'Joist hanger', detail: '', trade: 'Carpentry', unit: 'each' },
  costs: [{ type: 'material', amount: '2.40' }],
  ...{ taxClass: 'standard', costCode: '', tags: [], internalNote: '' },
});

const bundleOf = (code: string, item: string) => ({
  ...{ code, name: 'Hangers', detail: '', trade: 'Carpentry', tags: [], internalNote: '', shows: 'one' },
  recipe: { inputs: [], grades: [], parts: [{ id: 'p', name: 'p', item, quantity: '4' }] },
});

const letter = { to: 'somebody@test.example', words: 'Hello' };

/** By the operation; `n` tells what is made anew apart. */
export const operationBodies: Readonly<Record<string, (known: Known, n: string) => unknown>> = {
  addWebhook: () => ({ address: 'https://news.test.example/', events: ['payment.recorded'] }),
  addCustomer: () => customer,
  changeCustomer: () => ({ ...customer, name: 'Somebody Else Again' }),
  addSite: () => ({ address, internalNote: '' }),
  changeSite: () => ({ address: { ...address, street: '2 Test Way' }, internalNote: '' }),
  startProposal: (known) => ({
    ...{ customerId: known.customer, siteId: known.site, title: 'Porch', templateId: null },
  }),
  importProposal: (known) => ({
    ...{ customerId: known.customer, siteId: known.site, document: testDocument() },
  }),
  changeProposal: () => ({ saveNumber: 0, document: { ...testDocument(), title: 'Porch, changed' } }),
  copyProposal: (known) => ({
    ...{ customerId: known.customer, siteId: known.site, title: 'Porch again', costs: 'kept' },
  }),
  sendProposal: () => ({ saveNumber: 0, ...letter }),
  acceptForCustomer: (_, n) => ({
    ...{ revisionId: '00000000-0000-7000-8000-000000000000', total: '1.00', signerName: 'Somebody' },
    told: { kind: 'told', how: 'by phone', on: '2026-05-01', words: '' },
    idempotencyKey: `accept-${n}`,
  }),
  reportStage: () => ({ name: 'Frame', percent: '50' }),
  recordCost: (_, n) => ({
    ...{ what: 'Joists', costType: 'material', spentOn: '2026-05-02', amount: '12.00', supplier: '' },
    idempotencyKey: `cost-${n}`,
  }),
  keepDraft: () => ({
    ...{ what: { amount: '1.00' }, title: '', shows: { unbilled: 'hidden', bundles: 'agreed' }, remark: '' },
  }),
  issueInvoice: (known) => ({ agreementId: known.agreement, what: { amount: '1.00' } }),
  creditInvoice: () => ({ what: { whole: true }, remark: '' }),
  sendInvoice: () => ({ send: letter }),
  recordPayment: (known, n) => ({
    ...{ agreementId: known.agreement, method: 'cheque', amount: '5.00', receivedOn: '2026-05-03' },
    ...{ reference: '', idempotencyKey: `payment-${n}`, sure: true },
  }),
  reversePayment: (_, n) => ({ kind: 'void', reason: 'typed twice', idempotencyKey: `reversal-${n}` }),
  makeBatch: () => ({ from: '2026-01-01', to: '2026-12-31' }),
  addItem: (_, n) => itemOf(`HANGER-${n}`),
  changeItem: (_, n) => ({ ...itemOf(`HANGER-${n}`), name: 'Joist hanger, heavy' }),
  retireItem: () => ({ retired: true }),
  addBundle: (known, n) => bundleOf(`HANGERS-${n}`, known.item),
  changeBundle: (known, n) => ({ edition: 1, bundle: bundleOf(`HANGERS-${n}-B`, known.item) }),
  retireBundle: () => ({ retired: true }),
};
