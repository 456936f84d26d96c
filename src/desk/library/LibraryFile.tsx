'use client';

import { Button, Dropdown } from 'antd';

const formats = [
  { key: 'csv', name: 'CSV' },
  { key: 'xlsx', name: 'XLSX' },
] as const;

/** The whole library as a file that can be changed and imported again. */
export const LibraryFile = () => (
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
);
