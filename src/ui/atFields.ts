import type { FormInstance } from 'antd';
import type { ProblemDetails } from '@/model';
import { capital } from '@/core/text/capital';

type Name = readonly (string | number)[];

/** A JSON Pointer (RFC 6901) as the name of a form's field. */
const nameOf = (pointer: string): string[] =>
  pointer
    .split('/')
    .slice(1)
    .map((step) => step.replaceAll('~1', '/').replaceAll('~0', '~'));

const same = (one: Name, other: Name): boolean =>
  one.length === other.length && one.every((step, i) => String(step) === String(other[i]));

/**
 * Puts what a refusal says of each place at the field that stands for it. Of a malformed value that is what is wrong with
 * it; of any other refusal its sentence.
 * @returns whether all of it found a field; else the refusal has to be told as a whole
 */
export function putAtFields(
  form: Pick<FormInstance, 'getFieldsError' | 'setFields' | 'scrollToField'>,
  { code, detail, errors = [] }: ProblemDetails,
): boolean {
  const fields = form.getFieldsError().map(({ name }) => name as Name);
  const placed = errors.flatMap((error) => {
    const name = fields.find((field) => same(field, nameOf(error.pointer)));
    const words = code === 'not-well-formed' ? `${capital(error.detail)}.` : detail;
    return name ? [{ name: [...name], errors: [words] }] : [];
  });
  form.setFields(placed);
  if (placed[0]) form.scrollToField(placed[0].name, { block: 'nearest', focus: true });
  return errors.length > 0 && placed.length === errors.length;
}
