import { configurationFaults } from './configuration';

const right = {
  DATABASE_URL: 'postgres://impegno_server:x@127.0.0.1/impegno',
  IMPEGNO_SECRET: 'twenty characters are enough',
  IMPEGNO_ADDRESS: 'https://offers.firm.example',
};

test('what is right has no faults, with everything set and with the least', () => {
  expect(configurationFaults(right)).toEqual([]);
  expect(
    configurationFaults({
      ...right,
      ...{ DATABASE_POOL: '10', PORT: '4310', IMPEGNO_METRICS_PORT: '9100' },
      ...{ TRUSTED_PROXIES: '10.0.0.1, ::1,', IMPEGNO_MAIL_SECRET: 'another twenty characters' },
      ...{ IMPEGNO_SMTP_URL: 'smtp://u:p@mail.firm.example', IMPEGNO_MAIL_FROM: 'a@firm.example' },
    }),
  ).toEqual([]);
});

test.each([
  [{ DATABASE_URL: '' }, /^DATABASE_URL/],
  [{ IMPEGNO_SECRET: undefined }, /^IMPEGNO_SECRET is not set/],
  [{ IMPEGNO_SECRET: 'short' }, /^IMPEGNO_SECRET is too short/],
  [{ IMPEGNO_WEBHOOKS_INSIDE: 'perhaps' }, /^IMPEGNO_WEBHOOKS_INSIDE is yes, or not set/],
  [{ IMPEGNO_MAIL_SECRET: 'short' }, /^IMPEGNO_MAIL_SECRET is too short/],
  [{ IMPEGNO_ADDRESS: 'offers.firm.example' }, /^IMPEGNO_ADDRESS/],
  [{ IMPEGNO_ADDRESS: 'https://offers.firm.example/' }, /without a \//],
  [{ IMPEGNO_ADDRESS: 'javascript:alert(1)' }, /^IMPEGNO_ADDRESS/],
  [{ DATABASE_POOL: '2' }, /^DATABASE_POOL .* not “2”/],
  [{ DATABASE_POOL: 'many' }, /^DATABASE_POOL/],
  [{ PORT: '70000' }, /^PORT/],
  [{ TRUSTED_PROXIES: 'proxy.firm.example' }, /^TRUSTED_PROXIES/],
  [{ IMPEGNO_SMTP_URL: 'smtp://mail.firm.example' }, /^IMPEGNO_MAIL_FROM/],
])('what is wrong is said in a sentence (%#)', (env, sentence) => {
  const faults = configurationFaults({ ...right, ...env });
  expect(faults).toHaveLength(1);
  expect(faults[0]).toMatch(sentence);
  expect(faults[0]).toMatch(/[.]$/);
});
