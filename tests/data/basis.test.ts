/*
 * Customers read every price before tax, or every price with it: as the company sets, in all that they are served.
 */
import { openBooklet } from '@/services/booklet/open';
import { saveAsTemplate } from '@/services/proposals/reuse';
import { readProposal } from '@/services/proposals/read';
import { saveProposal } from '@/services/proposals/save';
import { startProposal } from '@/services/proposals/start';
import { readSettings, saveSettings } from '@/services/settings/settings';
import { closeConnection } from '@/data/connection';
import { parseAmount } from '@/core/number';
import { newCompany, newCustomer, newProposal, sendIt, visit } from '../support/desk';

afterAll(closeConnection);

test('as the company sets it: begun from nothing and from a template of before, and kept by what was sent', async () => {
  const owner = await newCompany();
  const earlier = await newProposal(owner);
  const template = await saveAsTemplate(owner, { proposalId: earlier, name: 'Deck', about: '' });
  const { company } = await readSettings(owner);
  const { depositInvoiceOnAcceptance, validityDays, paymentDays, usual } = company;
  const set = (shown: 'with tax' | null) =>
    saveSettings(owner, {
      depositInvoiceOnAcceptance,
      validityDays,
      paymentDays,
      usual: { ...usual, ...(shown ? { tax: { shown } } : {}) },
    });
  await set('with tax');
  const place = await newCustomer(owner);
  const begun = async (templateId: string | null = null) => {
    const { id } = await startProposal(owner, {
      ...place,
      title: 'Begun',
      templateId,
    });
    return (await readProposal(owner, id)).document.tax;
  };
  expect(await begun()).toEqual({ shown: 'with tax' });
  expect(await begun(template.id)).toEqual({ shown: 'with tax' });
  await set(null);
  expect(await begun()).toBeUndefined();
  expect(await begun(template.id)).toBeUndefined();
  expect((await readProposal(owner, earlier)).document.tax).toBeUndefined();
});

test('what is served adds up on its basis; a revision on another basis changes no price', async () => {
  const owner = await newCompany();
  const proposalId = await newProposal(owner);
  const token = await sendIt(owner, proposalId);
  const before = await openBooklet(await visit(token));
  const money = (text: string | null) => parseAmount(text ?? '0', 2);
  expect(before.view.basis).toBe('before tax');
  expect(money(before.view.sections[0]!.amount) + money(before.view.taxTotal)).toBe(money(before.view.total));

  const { saveNumber } = await readProposal(owner, proposalId);
  await saveProposal(owner, {
    proposalId,
    saveNumber,
    patches: [{ op: 'add', path: '/tax', value: { shown: 'with tax' } }],
  });
  await sendIt(owner, proposalId);
  const after = await openBooklet(await visit(token));
  expect(after.view.basis).toBe('with tax');
  expect(after.view.sections[0]!.amount).toBe(after.view.total);
  expect(after.view.total).toBe(before.view.total);
  expect(after.changesSince).toEqual([{ what: 'Prices are shown', before: 'before tax', after: 'with tax' }]);
  // What the browser works out by itself is told on the same basis; nothing more of ours comes with it.
  expect(after.offer!.tax).toEqual({ shown: 'with tax' });
  expect(JSON.stringify(after)).not.toMatch(/SECRET|417\.31/);
});
