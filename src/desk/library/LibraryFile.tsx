'use client';

import { Button, Dropdown } from 'antd';
import { May } from '@/ui/may/May';

const formats = [
  { key: 'csv', name: 'CSV' },
  { key: 'xlsx', name: 'XLSX' },
] as const;

/** The whole library as a file that can be changed and imported again. */
export const LibraryFile = () => (
  <May any={['export']}>
    <Dropdown
      trigger={['click']}
      menu={{
        items: formats.map(({ key, name }) => ({
          key,
          label: (
            <a href={`/api/v1/library.${key}`} download>
              {name}, to change and import again
            </a>
          ),
        })),
      }}
    >
      <Button>Download</Button>
    </Dropdown>
  </May>
);
