'use client';

import { Form, Input } from 'antd';

/** A new password; what is poor about it the server says. */
export const PasswordField = ({
  name = 'password',
  label = 'Password',
}: {
  readonly name?: string | string[];
  readonly label?: string;
}) => (
  <Form.Item
    name={name}
    label={label}
    extra="Ten characters or more; a few words that do not go together are best."
    rules={[{ required: true, message: 'Type a password.' }]}
  >
    <Input.Password autoComplete="new-password" maxLength={200} />
  </Form.Item>
);
