'use client';

import { Form, Input, Select } from 'antd';
import { useMemo } from 'react';
import { countries } from '@/core/text/countries';

/** What a company says of itself, as fields of a form under `company`. Only its name is needed at once. */
export function CompanyFields({ onCountry }: { readonly onCountry?: (country: string) => void }) {
  const offered = useMemo(() => countries().map(({ code, name }) => ({ value: code, label: name })), []);
  return (
    <>
      <Form.Item
        name={['company', 'name']}
        label="Name of the company"
        rules={[{ required: true, whitespace: true, message: 'Type its name.' }]}
      >
        <Input autoComplete="organization" maxLength={120} />
      </Form.Item>
      <div className="fields-in-two">
        <Form.Item name={['company', 'address', 'street']} label="Street">
          <Input autoComplete="address-line1" maxLength={200} />
        </Form.Item>
        <Form.Item name={['company', 'address', 'city']} label="City">
          <Input autoComplete="address-level2" maxLength={100} />
        </Form.Item>
        <Form.Item name={['company', 'address', 'region']} label="State or region">
          <Input autoComplete="address-level1" maxLength={100} />
        </Form.Item>
        <Form.Item name={['company', 'address', 'postcode']} label="Postal code">
          <Input autoComplete="postal-code" maxLength={20} />
        </Form.Item>
        <Form.Item name={['company', 'address', 'country']} label="Country">
          <Select
            showSearch={{ optionFilterProp: 'label' }}
            options={offered}
            {...(onCountry ? { onChange: onCountry } : {})}
          />
        </Form.Item>
        <Form.Item name={['company', 'phone']} label="Phone">
          <Input type="tel" autoComplete="tel" maxLength={60} />
        </Form.Item>
        <Form.Item
          name={['company', 'email']}
          label="Email customers write to"
          rules={[{ type: 'email', message: 'This is no email address.' }]}
        >
          <Input type="email" maxLength={200} />
        </Form.Item>
        <Form.Item name={['company', 'website']} label="Website">
          <Input maxLength={200} />
        </Form.Item>
        <Form.Item name={['company', 'licence']} label="License number">
          <Input maxLength={120} />
        </Form.Item>
        <Form.Item name={['company', 'taxNumber']} label="Tax number">
          <Input maxLength={120} />
        </Form.Item>
      </div>
    </>
  );
}
