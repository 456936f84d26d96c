'use client';

import { Form, Input } from 'antd';
import { useOurCompany } from '@/desk/companies/OurCompany';

/** The fields of an address, under a name of the form. */
export function AddressFields({ under }: { under: string }) {
  return (
    <>
      <Form.Item
        name={[under, 'street']}
        label="Street and number"
        rules={[{ required: true, whitespace: true, message: 'Type the street and number.' }]}
      >
        <Input autoComplete="off" />
      </Form.Item>
      <div className="fields-address">
        <Form.Item
          name={[under, 'city']}
          label="City"
          rules={[{ required: true, whitespace: true, message: 'Type the city.' }]}
        >
          <Input autoComplete="off" />
        </Form.Item>
        <Form.Item name={[under, 'region']} label="State or region">
          <Input autoComplete="off" />
        </Form.Item>
        <Form.Item name={[under, 'postcode']} label="Postal code">
          <Input autoComplete="off" />
        </Form.Item>
        <Form.Item
          name={[under, 'country']}
          label="Country"
          rules={[{ pattern: /^[A-Z]{2}$/, message: 'Two letters.' }]}
        >
          <Input maxLength={2} autoComplete="off" />
        </Form.Item>
      </div>
    </>
  );
}

/** An address nobody typed yet: most customers live where the company is. */
export function useEmptyAddress() {
  const { country } = useOurCompany();
  return { street: '', city: '', region: '', postcode: '', country };
}
