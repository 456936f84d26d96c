import { methodName } from '@/core/text/names';
import type { CompanyMoney, HandMethod } from '@/model';
import { Problem } from '../problem';

/**
 * The name of its own a company has for the way money came or went, as it is kept with it; null where it is a usual one.
 * @throws Problem `unknown-method`
 */
export function ownMethodName(
  { methods = [] }: CompanyMoney,
  method: HandMethod,
  given: string | undefined,
): string | null {
  const name = given?.trim() ?? '';
  if (name === '' || name.toLowerCase() === methodName(method).toLowerCase()) return null;
  if (!methods.some((each) => each.like === method && each.name === name))
    throw new Problem('unknown-method', `“${name}” is not among the company’s ways of payment.`);
  return name;
}
