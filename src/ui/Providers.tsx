'use client';

import { StyleProvider } from '@ant-design/cssinjs';
import { App, ConfigProvider } from 'antd';
import type { ReactNode } from 'react';
import { antTheme, light } from './theme/antTheme';

const theme = { ...antTheme(light), zeroRuntime: true };

/**
 * Ant Design for the desk. Its style comes from src/ui/theme/antd.css alone (light and dark by custom properties);
 * the nonce is for the little it may still add.
 */
export function Providers({ nonce, children }: { nonce: string | undefined; children: ReactNode }) {
  return (
    <StyleProvider {...(nonce ? { nonce } : {})}>
      <ConfigProvider theme={theme} {...(nonce ? { csp: { nonce } } : {})} wave={{ disabled: true }}>
        <App message={{ maxCount: 3 }}>{children}</App>
      </ConfigProvider>
    </StyleProvider>
  );
}
