import { putHintAway } from '@/services/help/hints';
import { demoAccount } from '@/services/entering/demoAccount';
import { addUser, createCompany } from '@/services/entering/createCompany';
import type { Actor } from '@/services/actor';
import { issueInvoice } from '@/services/billing/issue';
import { chooseInBooklet } from '@/services/booklet/choose';
import { acceptProposal } from '@/services/booklet/accept';
import { declineProposal } from '@/services/booklet/decide';
import { openBooklet, visitorOf } from '@/services/booklet/open';
import { payByCard } from '@/services/booklet/payCard';
import { readCustomer, saveCustomer, saveSite } from '@/services/customers/customers';
import { keepSamplePlan } from '@/services/files/keep';
import { addItems, addRates, addTemplate } from '@/services/library/add';
import { saveAreas } from '@/services/library/areas';
import type { BundleWithMakeup } from '@/services/library/bundles';
import { addBundle } from '@/services/library/bundles';
import { listCrews, saveCrew } from '@/services/library/rates';
import { readInvoice } from '@/services/billing/invoiceAtDesk';
import { recordPayment } from '@/services/payments/payments';
import { readProposal } from '@/services/proposals/read';
import { saveProposal } from '@/services/proposals/save';
import { withdrawProposal } from '@/services/proposals/withdraw';
import { sendProposal } from '@/services/proposals/send';
import { importProposal } from '@/services/proposals/start';
import { readSettings, saveSettings } from '@/services/settings/settings';
import { businessDate, daysAfter, newId } from '@/services/actor';
import { crewParts } from '@/core/price';
import type { CustomerPerson, ItemInput, ProposalDocument } from '@/model';
import { trialCards } from '@/gateways/cards/standIn';
import {
  DocumentBuilder,
  atticRoom,
  demoMoney,
  demoPricing,
  screenedPorch,
  sunroom,
  usualTerms,
} from './documents';
import { areaTable } from './areas';
import { bundleInputs } from '@/services/library/starting/bundles';
import { itemInputs, rateInputs } from '@/services/library/starting/items';
import { porchPlan } from './plans';
import { billOn } from './billed';
import { cardOf } from './cardOf';
import { spendOn } from './costs';
import { goOn } from './changing';
import { porchInThreeLevels } from './threeLevels';
import { stockInputs } from '@/services/library/starting/stock';

const timeZone = 'America/New_York';

const address = (street: string, city = 'Marrowby') => ({
  street,
  city,
  region: 'Fenshire',
  postcode: '00417',
  country: 'US',
});

const customers: readonly {
  readonly name: string;
  readonly street: string;
  readonly sites: readonly string[];
  readonly note: string;
  /** The note is shown before work starts. */
  readonly alert?: true;
  readonly people?: readonly Omit<CustomerPerson, 'id'>[];
}[] = [
  { name: 'Odalie Brannock', street: '14 Tern Lane', sites: [], note: 'Dog in the yard. Gate code 4417.' },
  { name: 'Tobin and Maude Ellery', street: '3 Pightle Close', sites: [], note: '' },
  {
    name: 'Hollin Vasquell',
    street: '88 Old Kiln Road',
    sites: ['90 Old Kiln Road', '5 Withy Court'],
    note: 'Landlord: three houses. Prefers one bill a month.',
  },
  { name: 'Serafine Okonder', street: '21 Larkrise', sites: [], note: '' },
  {
    name: 'The Wexcombe Trust',
    street: '1 Almsgate',
    sites: ['7 Almsgate'],
    note: 'Decides in committee, first Tuesday.',
    people: [
      {
        name: 'Corin Hale',
        role: 'Treasurer',
        email: 'treasurer@post.example',
        phone: '(000) 555-0251',
        getsOffers: false,
        getsInvoices: true,
      },
      {
        name: 'Maud Sedley',
        role: 'Caretaker, has the keys',
        email: '',
        phone: '(000) 555-0252',
        getsOffers: false,
        getsInvoices: false,
      },
    ],
  },
  {
    name: 'Bram Tillotsen',
    street: '46 Ferry Row',
    sites: [],
    note: 'Works nights; ring after two.',
    alert: true,
  },
];

/**
 * Fills an empty database with the demo. Everything goes through the acts, on a clock that is fixed relative to `today`:
 * each step names how many days ago it happened.
 */
export async function seedDemo(today: Date): Promise<void> {
  const ago = (days: number, hour = 10) =>
    new Date(today.getTime() - days * 24 * 3600_000 + (hour - 10) * 3600_000);
  const owner = await createCompany(
    {
      name: 'Quillbank Porch & Attic Builders',
      address: address('6 Sawpit Yard'),
      email: 'office@quillbank.example',
      phone: '(000) 555-0164',
      taxNumber: 'US-QB-204417',
      currency: 'USD',
      timeZone,
      usual: usualTerms,
      demo: true,
    },
    { name: 'Perrin Ashdown', ...demoAccount },
    ago(120),
  );
  const seller = await addUser(owner, {
    name: 'Linnet Farrow',
    email: 'linnet@quillbank.example',
    password: 'sunroom-kettle-7',
    role: 'seller',
  });
  const office = await addUser(owner, {
    name: 'Jory Penhale',
    email: 'jory@quillbank.example',
    password: 'ledger-thimble-3',
    role: 'office',
  });
  // They have been here for months.
  for (const each of [owner, seller, office]) await putHintAway(each, 'all');
  await saveAreas(owner, areaTable);
  const { company: settings } = await readSettings(owner);
  await saveSettings(owner, {
    depositInvoiceOnAcceptance: settings.depositInvoiceOnAcceptance,
    validityDays: settings.validityDays,
    paymentDays: settings.paymentDays,
    usual: usualTerms,
    pricing: demoPricing,
    money: demoMoney,
  });
  const rates = await addRates(owner, rateInputs);
  /** Labour names the rate it is paid at, so that it follows when the rate moves. */
  const withRates = (input: ItemInput): ItemInput => ({
    ...input,
    costs: input.costs.map((part) => {
      const rate = 'hours' in part && rates.find(({ normal }) => normal === part.rate);
      return rate ? { ...part, overtimeRate: rate.overtime, rateId: rate.id } : part;
    }),
  });
  const items = new Map(
    (await addItems(owner, [...itemInputs, ...stockInputs].map(withRates))).map((item) => [item.code, item]),
  );
  const [lead, helper] = [rates[0]!, rates[1]!];
  const { id: crewId } = await saveCrew(owner, {
    name: 'Framing crew of three',
    people: [
      { rateId: lead.id, count: 1 },
      { rateId: helper.id, count: 2 },
    ],
    equipment: [{ name: 'Compressor and nailers', perHour: '6.50' }],
  });
  const crew = (await listCrews(owner)).find(({ id }) => id === crewId)!;
  await addItems(owner, [
    {
      code: 'FR-900',
      name: 'Framing by the crew, by the hour',
      detail: '',
      trade: 'Frame',
      unit: 'hour',
      costs: crewParts(crew, '1', new Map(rates.map((rate) => [rate.id, rate]))),
      taxClass: usualTerms.taxClasses[0]!.id,
      costCode: '06-100',
      tags: ['crew', 'day', 'work'],
      internalNote: '',
    },
    {
      code: 'OF-900',
      name: 'Fee of the town, passed on at cost',
      detail: '',
      trade: 'Office and permits',
      unit: 'each',
      costs: [{ type: 'other', amount: '100' }],
      loads: [],
      taxClass: usualTerms.taxClasses.at(-1)!.id,
      costCode: '01-100',
      tags: ['permit', 'inspection'],
      internalNote: '',
    },
  ]);
  const bundles = new Map<string, BundleWithMakeup>();
  for (const { code, of } of bundleInputs())
    bundles.set(
      code,
      await addBundle(
        owner,
        of((wanted) => (items.get(wanted) ?? bundles.get(wanted))!.id),
      ),
    );
  const builder = (mark: string) => new DocumentBuilder(items, mark);
  const porch = { area: '196', wall: '378', run: '28' };
  const glass = { area: '168', wall: '210', run: '26' };
  const attic = { area: '320', wall: '540', run: '30' };
  const sized = (size: typeof porch, times: number) => ({
    area: String(Math.round(Number(size.area) * times)),
    wall: String(Math.round(Number(size.wall) * times)),
    run: String(Math.round(Number(size.run) * times)),
  });

  await addTemplate(owner, {
    name: 'Screened porch',
    about: 'Floor, gable roof, screens, light',
    document: screenedPorch(builder('t1'), 'Screened porch', null),
  });
  await addTemplate(owner, {
    name: 'Sunroom',
    about: 'Slab, shell, windows, heat',
    document: sunroom(builder('t2'), 'Sunroom', null),
  });
  await addTemplate(owner, {
    name: 'Attic room',
    about: 'Stair, insulation, lining, floor',
    document: atticRoom(builder('t3'), 'Attic room', null),
  });

  const people: { id: string; sites: string[]; email: string }[] = [];
  for (const [i, { name, street, sites, note, alert, people: beside = [] }] of customers.entries()) {
    const actor = { ...owner, now: ago(100 - i) };
    const email = `${name.split(' ').at(-1)!.toLowerCase()}@post.example`;
    const { id } = await saveCustomer(actor, {
      name,
      contactName: name.startsWith('The ') ? 'Ines Calloway' : name.split(' ')[0]!,
      email,
      phone: `(000) 555-02${String(10 + i)}`,
      billing: address(street),
      internalNote: note,
      alert: alert ?? false,
      people: beside.map((person) => ({ id: newId(actor.now), ...person })),
    });
    for (const each of sites)
      await saveSite(actor, { customerId: id, address: address(each), internalNote: '' });
    const { sites: all } = await readCustomer(actor, id);
    people.push({ id, sites: all.map((site) => site.id), email });
  }

  const start = async (
    actor: Actor,
    person: number,
    document: ProposalDocument,
    at: Date,
    site = 0,
    days = 30,
  ) => {
    const made = await importProposal(
      { ...actor, now: at },
      { customerId: people[person]!.id, siteId: people[person]!.sites[site]! },
      { ...document, validUntil: daysAfter(businessDate(at, timeZone), days) },
    );
    return made.id;
  };
  const send = async (actor: Actor, proposalId: string, at: Date, person: number) => {
    const { saveNumber } = await readProposal({ ...actor, now: at }, proposalId);
    const { token } = await sendProposal(
      { ...actor, now: at },
      { proposalId, saveNumber, to: people[person]!.email, words: '' },
    );
    return token;
  };
  const visit = async (token: string, at: Date) => {
    const visitor = await visitorOf(token, '203.0.113.24', at);
    return { visitor, booklet: await openBooklet(visitor) };
  };
  const accept = async (token: string, at: Date, signerName: string, mark: string) => {
    const { visitor, booklet } = await visit(token, at);
    const { agreementId } = await acceptProposal(
      visitor,
      {
        revisionId: booklet.revision.id,
        choices: booklet.choices,
        total: booklet.view.total,
        signerName,
        signature: { kind: 'typed' },
        consent: true,
        idempotencyKey: `demo-${mark}-accept`,
        ...(booklet.contract ? { contract: booklet.contract.mark } : {}),
      },
      'Mozilla/5.0 (a phone)',
    );
    return { agreementId, visitor };
  };
  const byCard = (
    visitor: Awaited<ReturnType<typeof visitorOf>>,
    at: Date,
    mark: string,
    number: string = trialCards.accepted,
  ) => payByCard({ ...visitor, now: at }, { card: cardOf(number, at), idempotencyKey: `demo-${mark}-card` });
  const receive = (
    agreementId: string,
    amount: string,
    at: Date,
    mark: string,
    method: 'cheque' | 'transfer',
  ) =>
    recordPayment(
      { ...owner, now: at },
      {
        agreementId,
        method,
        amount,
        receivedOn: businessDate(at, timeZone),
        reference: '',
        idempotencyKey: `demo-${mark}-payment`,
      },
    );
  const bill = (agreementId: string, what: { entryId: string } | { rest: true }, at: Date) =>
    issueInvoice({ ...owner, now: at }, { agreementId, what });

  // Work that is done, billed and paid.
  const done = await start(
    seller,
    5,
    atticRoom(builder('p1'), 'Attic room with two skylights', attic),
    ago(95),
  );
  const doneSigned = await accept(await send(seller, done, ago(94), 5), ago(90), 'Bram Tillotsen', 'p1');
  await byCard(doneSigned.visitor, ago(90), 'p1');
  for (const [entryId, days] of [
    ['frame', 70],
    ['closed', 48],
  ] as const) {
    const { id } = await bill(doneSigned.agreementId, { entryId }, ago(days));
    await receive(
      doneSigned.agreementId,
      await totalOf(owner, id),
      ago(days - 6),
      `p1-${entryId}`,
      'transfer',
    );
  }
  const { id: last } = await bill(doneSigned.agreementId, { rest: true }, ago(24));
  await receive(doneSigned.agreementId, await totalOf(owner, last), ago(15), 'p1-rest', 'cheque');
  await spendOn(owner, doneSigned.agreementId, { ago, timeZone, days: [88, 22] });

  // A porch under way: deposit paid after a first card was refused, first stage billed and partly paid.
  const under = await start(
    owner,
    3,
    screenedPorch(builder('p2'), 'Screened porch over the garden', sized(porch, 1.12)),
    ago(60),
  );
  const underSigned = await accept(await send(owner, under, ago(59), 3), ago(52), 'Serafine Okonder', 'p2');
  await byCard(underSigned.visitor, ago(52), 'p2-first', trialCards.refused);
  await byCard(underSigned.visitor, ago(52, 11), 'p2');
  await bill(underSigned.agreementId, { entryId: 'frame' }, ago(9));
  await receive(underSigned.agreementId, '4000.00', ago(3), 'p2', 'transfer');

  // Signed, the deposit not paid and late.
  const late = await start(
    seller,
    2,
    sunroom(builder('p3'), 'Sunroom for the corner house', sized(glass, 1.3)),
    ago(40),
    1,
  );
  await accept(await send(seller, late, ago(39), 2), ago(20), 'Hollin Vasquell', 'p3');

  // Signed this morning.
  const fresh = await start(
    seller,
    1,
    atticRoom(builder('p4'), 'Attic room for the twins', sized(attic, 0.85)),
    ago(12),
  );
  await accept(await send(seller, fresh, ago(11), 1), ago(0, 8), 'Maude Ellery', 'p4');

  // Declined, lapsed, withdrawn.
  const no = await start(
    seller,
    4,
    sunroom(builder('p5'), 'Sunroom at the almshouse', sized(glass, 0.9)),
    ago(45),
    1,
  );
  const { visitor, booklet } = await visit(await send(seller, no, ago(44), 4), ago(38));
  await declineProposal(visitor, {
    revisionId: booklet.revision.id,
    reason: 'The committee wants to do the roof of number 3 first.',
  });
  const old = await start(
    owner,
    2,
    screenedPorch(builder('p6'), 'Screened porch at Withy Court', sized(porch, 0.8)),
    ago(58),
    2,
  );
  await visit(await send(owner, old, ago(57), 2), ago(55));
  const back = await start(seller, 5, screenedPorch(builder('p7'), 'Side porch', sized(porch, 0.7)), ago(30));
  await send(seller, back, ago(29), 5);
  await withdrawProposal({ ...seller, now: ago(27) }, back);

  // Sent: read and with choices made, revised after a call, not opened yet.
  const read = await start(seller, 1, sunroom(builder('p8'), 'Sunroom on the south side', glass), ago(6));
  const reader = await visit(await send(seller, read, ago(5), 1), ago(2));
  const question = reader.booklet.view.sections
    .flatMap(({ entries }) => entries)
    .find((entry) => entry.kind === 'question')!;
  await chooseInBooklet(reader.visitor, {
    revisionId: reader.booklet.revision.id,
    choices: {
      extras: {},
      questions: { [question.id]: question.kind === 'question' ? question.alternatives[1]!.id : '' },
    },
  });
  const revised = await start(
    owner,
    4,
    atticRoom(builder('p9'), 'Warden’s attic room', sized(attic, 0.7)),
    ago(10),
  );
  await visit(await send(owner, revised, ago(9), 4), ago(8));
  const { saveNumber } = await readProposal({ ...owner, now: ago(4) }, revised);
  await saveProposal(
    { ...owner, now: ago(4) },
    {
      proposalId: revised,
      saveNumber,
      patches: [{ op: 'add', path: '/discount', value: { amount: '400' } }],
    },
  );
  await send(owner, revised, ago(4, 11), 4);
  const unread = await start(seller, 3, sunroom(builder('p10'), 'Winter garden', sized(glass, 1.45)), ago(2));
  await send(seller, unread, ago(1), 3);

  // In three levels, read and played with.
  const levels = await start(seller, 5, porchInThreeLevels(builder('p13'), bundles), ago(3));
  await visit(await send(seller, levels, ago(2), 5), ago(1));

  // Signed in three levels: selections, a change order signed and one waiting.
  const tiled = { ...porchInThreeLevels(builder('p14'), bundles), title: 'Back porch at Withy Court' };
  const tiledId = await start(seller, 2, tiled, ago(52), 2);
  const tiledToken = await send(seller, tiledId, ago(50), 2);
  const tiledSigned = await accept(tiledToken, ago(44), 'Hollin Vasquell', 'p14');
  await byCard(tiledSigned.visitor, ago(44), 'p14');
  const gate = builder('p14g');
  await goOn(
    { seller, timeZone, ago, visit, send, accept },
    tiledSigned.agreementId,
    tiledToken,
    2,
    'Hollin Vasquell',
    [gate.line('SC-020', '1', { description: 'Gate in the guard, to match' }), gate.line('FR-035', '2')],
  );

  // In the middle of its money.
  const courtyard = sunroom(builder('p15'), 'Sunroom on the courtyard', sized(glass, 1.1));
  const billedId = await start(
    seller,
    4,
    { ...courtyard, billing: { retainage: { percent: '10', limit: '5' }, deposit: 'advance' } },
    ago(72),
    0,
    60,
  );
  const billedSigned = await accept(
    await send(seller, billedId, ago(70), 4),
    ago(66),
    'Ines Calloway',
    'p15',
  );
  await billOn({ seller, timeZone, ago, visit, send, accept }, billedSigned.agreementId, 4, 'Ines Calloway', [
    builder('p15b').line('SC-020', '4', { description: 'Roller blind, south side' }),
  ]);
  await spendOn(owner, billedSigned.agreementId, {
    ago,
    timeZone,
    days: [64, 1],
    upTo: ['Frame stands', 'Roof tight'],
  });

  // In work.
  const loose = atticRoom(builder('p11'), 'Study under the roof', null);
  await start(seller, 2, loose, ago(1, 15));
  const draft = screenedPorch(builder('p12'), 'Screened porch, rear of house', porch);
  await start(
    owner,
    0,
    {
      ...draft,
      shows: 'lines',
      coverNote:
        'Dear Ms Brannock, as we talked about on the steps: a porch for the evenings, with room for the long table.',
      internalNote: 'Wants it before the reunion in June. Neighbour is a possible second job.',
      discount: { amount: '400' },
      plans: [porchPlan(await keepSamplePlan(owner, 'rear-porch'))],
    },
    ago(0, 9),
  );
}

async function totalOf(actor: Actor, invoiceId: string): Promise<string> {
  return (await readInvoice(actor, invoiceId)).total;
}
