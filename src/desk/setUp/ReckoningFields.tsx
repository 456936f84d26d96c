'use client';

import { Form, Radio, Select } from 'antd';
import { useMemo } from 'react';

/** In what a company reckons: money, time, units. */
export function ReckoningFields({ fixed = false }: { readonly fixed?: boolean }) {
  const offered = useMemo(() => {
    const named = new Intl.DisplayNames(['en'], { type: 'currency' });
    return {
      currencies: Intl.supportedValuesOf('currency').map((code) => ({
        value: code,
        label: `${code}, ${named.of(code) ?? code}`,
      })),
      zones: Intl.supportedValuesOf('timeZone').map((zone) => ({
        value: zone,
        label: zone.replaceAll('_', ' '),
      })),
    };
  }, []);
  return (
    <div className="fields-in-two">
      <Form.Item
        name={['company', 'currency']}
        label="Currency"
        {...(fixed ? { extra: 'It stays: proposals and invoices are written in it.' } : {})}
      >
        <Select showSearch={{ optionFilterProp: 'label' }} disabled={fixed} options={offered.currencies} />
      </Form.Item>
      <Form.Item name={['company', 'timeZone']} label="Time zone">
        <Select showSearch={{ optionFilterProp: 'label' }} options={offered.zones} />
      </Form.Item>
      <Form.Item name={['company', 'units']} label="You measure in">
        <Radio.Group
          options={[
            { value: 'us', label: 'feet, square feet' },
            { value: 'metric', label: 'meters, square meters' },
          ]}
        />
      </Form.Item>
    </div>
  );
}
