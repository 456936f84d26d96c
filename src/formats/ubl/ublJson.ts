import { invoiceSchema } from '@e-invoice-eu/core';
import { create } from 'xmlbuilder2';

type Json = { [key: string]: unknown };
type Schema = { type?: string; properties?: Record<string, Schema>; items?: Schema; $ref?: string };

const resolved = (part: Schema | undefined): Schema => {
  if (!part?.$ref) return part ?? {};
  const keys = part.$ref.replace(/^#\//, '').split('/');
  return keys.reduce(
    (at, key) => (at as Record<string, unknown>)[key] as object,
    invoiceSchema as object,
  ) as Schema;
};

function asJson(element: Element, schema: Schema): Json {
  const json: Json = {};
  for (const child of Array.from(element.childNodes).filter((node): node is Element => node.nodeType === 1)) {
    const part = resolved(schema.properties?.[child.nodeName]);
    const inner = part.type === 'array' ? resolved(part.items) : part;
    const value = inner.type === 'object' ? asJson(child, inner) : child.textContent;
    if (part.type === 'array') json[child.nodeName] = [...((json[child.nodeName] as unknown[]) ?? []), value];
    else json[child.nodeName] = value;
    for (const { name, value: text } of Array.from(child.attributes))
      json[`${child.nodeName}@${name}`] = text;
  }
  return json;
}

/**
 * A UBL invoice or credit note as the JSON that `@e-invoice-eu/core` reads: attributes as `name@attribute`, lists where its
 * schema has a list. A credit note has the elements of an invoice under names of its own; there it is an invoice of its type
 * code.
 */
export function ublJson(xml: string): Json {
  const asInvoice = xml
    .replace(/CreditNoteLine/g, 'InvoiceLine')
    .replace(/CreditedQuantity/g, 'InvoicedQuantity')
    .replace(/CreditNoteTypeCode/g, 'InvoiceTypeCode');
  const schema = (invoiceSchema as unknown as Schema).properties!['ubl:Invoice']!;
  return { 'ubl:Invoice': asJson(create(asInvoice).root().node as unknown as Element, schema) };
}
