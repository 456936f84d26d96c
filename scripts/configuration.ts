// What is wrong with the configuration, a sentence for each: npm run serve does not begin before it is right.
import { readRetention } from './backup/retention';
import { configurationFaults } from '@/services/configuration';

const env = process.env;
const faults = configurationFaults(env);
const wrong = (when: boolean, sentence: string) => void (when && faults.push(sentence));
const address = URL.canParse(env.IMPEGNO_ADDRESS ?? '') ? new URL(env.IMPEGNO_ADDRESS!) : null;
wrong(
  env.IMPEGNO_ADDRESS === undefined,
  'IMPEGNO_ADDRESS is not set: where the installation is reached, as https://offers.firm.example.',
);
wrong(
  address?.protocol === 'http:' && !/^(localhost|127\.|\[::1\])/.test(address.hostname),
  'IMPEGNO_ADDRESS begins with https: whoever listens on the way must not read what is signed and paid. Encryption is the proxy’s.',
);
const processes = Number(env.IMPEGNO_PROCESSES ?? 1);
wrong(
  !Number.isInteger(processes) || processes < 1 || processes > 32,
  'IMPEGNO_PROCESSES is a whole number from 1 to 32.',
);
wrong(
  env.IMPEGNO_BACKUP_AT !== undefined && !/^([01]\d|2[0-3]):[0-5]\d$/.test(env.IMPEGNO_BACKUP_AT),
  'IMPEGNO_BACKUP_AT is a time of day (UTC), as 02:30.',
);
wrong(
  env.IMPEGNO_BACKUP_AT !== undefined && !env.DATABASE_OWNER_URL,
  'IMPEGNO_BACKUP_AT asks for backups; they are made as the owner of the database: set DATABASE_OWNER_URL.',
);
wrong(
  env.IMPEGNO_BACKUP_KEEP !== undefined && readRetention(env.IMPEGNO_BACKUP_KEEP) === null,
  'IMPEGNO_BACKUP_KEEP says of how many days, weeks and months one is kept, as “7 4 12”.',
);
if (faults.length > 0) {
  process.stderr.write(`${faults.join('\n')}\n`);
  process.exitCode = 1;
}
