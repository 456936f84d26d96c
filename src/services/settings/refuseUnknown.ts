import { Problem } from '../problem';

/** @throws Problem `unknown-time-zone` for what the IANA list does not have */
export function refuseUnknownTime(timeZone: string): void {
  try {
    new Intl.DateTimeFormat('en', { timeZone });
  } catch {
    throw new Problem('unknown-time-zone', `“${timeZone}” is no time zone.`);
  }
}

/** @throws Problem `unknown-currency` for what ISO 4217 does not have */
export function refuseUnknownCurrency(currency: string): void {
  if (!Intl.supportedValuesOf('currency').includes(currency))
    throw new Problem('unknown-currency', `${currency} is no currency (ISO 4217).`);
}
