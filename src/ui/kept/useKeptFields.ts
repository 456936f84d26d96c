'use client';

import type { FormInstance } from 'antd';
import { Form } from 'antd';
import { useKeptForm } from './useKeptForm';

/**
 * Keeps the fields of an Ant Design form until it is saved, as `useKeptForm` does.
 * @param name names the form and what it belongs to; null: nothing is kept
 * @param values what it begins with, every field
 */
export function useKeptFields<T extends object>(
  name: string | null,
  form: FormInstance<T>,
  values: T,
): ReturnType<typeof useKeptForm<T>> {
  // Until something is typed the form has no values of its own.
  const typed = (Form.useWatch([], { form, preserve: true }) as Partial<T> | undefined) ?? {};
  return useKeptForm<T>(name, { ...values, ...typed }, values, (kept) =>
    form.setFields(
      Object.entries(kept).map(([field, value]) => ({
        name: field as never,
        value: value as never,
        touched: true,
        errors: [],
      })),
    ),
  );
}
