import { WrongSmtpSettings, smtpSettings } from '@/gateways/mail/smtpSettings';

type Environment = Readonly<Record<string, string | undefined>>;

/** One rule on how the installation is configured: the sentence where it is broken, or null. */
type Rule = (env: Environment) => string | null;

const secret =
  (name: string, needed: boolean): Rule =>
  (env) => {
    const given = env[name] ?? '';
    if (given === '' && !needed) return null;
    return given.length >= 20
      ? null
      : `${name} is ${given === '' ? 'not set' : 'too short'}: a secret of at least 20 characters, kept out of the database.`;
  };

const webAddress: Rule = ({ IMPEGNO_ADDRESS: given }) =>
  given === undefined ||
  (URL.canParse(given) && /^https?:$/.test(new URL(given).protocol) && !/\/$/.test(given))
    ? null
    : 'IMPEGNO_ADDRESS is where the installation is reached, as https://offers.firm.example, without a / at its end.';

const whole =
  (name: string, from: number, to: number): Rule =>
  (env) => {
    const given = env[name];
    if (given === undefined || given === '') return null;
    const number = Number(given);
    return Number.isInteger(number) && number >= from && number <= to
      ? null
      : `${name} is a whole number from ${from} to ${to}, not “${given.slice(0, 40)}”.`;
  };

const mail: Rule = (env) => {
  try {
    smtpSettings(env);
    return null;
  } catch (error) {
    if (error instanceof WrongSmtpSettings) return error.message;
    throw error;
  }
};

const webhooks: Rule = ({ IMPEGNO_WEBHOOKS_INSIDE: given = '' }) =>
  given === '' || given === 'yes'
    ? null
    : `IMPEGNO_WEBHOOKS_INSIDE is yes, or not set: not “${given.slice(0, 40)}”.`;

const proxies: Rule = ({ TRUSTED_PROXIES: given = '' }) =>
  given
    .split(',')
    .map((each) => each.trim())
    .filter((each) => each !== '' && !/^([0-9.]+|[0-9a-f:]+)$/i.test(each)).length === 0
    ? null
    : 'TRUSTED_PROXIES holds addresses of proxies, with commas between them.';

const rules: readonly Rule[] = [
  secret('IMPEGNO_SECRET', true),
  secret('IMPEGNO_MAIL_SECRET', false),
  webAddress,
  whole('DATABASE_POOL', 4, 200),
  whole('PORT', 1, 65535),
  whole('IMPEGNO_METRICS_PORT', 1, 65535),
  mail,
  webhooks,
  proxies,
  ({ DATABASE_URL: given }) =>
    given && URL.canParse(given) ? null : 'DATABASE_URL is not set: how the server logs in to its database.',
];

/**
 * What is wrong with the configuration, a sentence for each; none: it can be served (docs/configuration.md).
 * @param env the environment of the server
 */
export const configurationFaults = (env: Environment): string[] => rules.flatMap((rule) => rule(env) ?? []);
