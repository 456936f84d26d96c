'use client';

import { Input } from 'antd';
import { useState } from 'react';
import type { DescribedInterface, ShownField, ShownOperation } from '@/services/programs/described';
import { PlainTable } from '@/ui/tables/PlainTable';
import './interface.css';

const has = (operation: ShownOperation, words: readonly string[]) => {
  const text =
    `${operation.method} ${operation.path} ${operation.id} ${operation.title} ${operation.needs}`.toLowerCase();
  return words.every((word) => text.includes(word));
};

/** Every operation of the interface, to be read and found. */
export function InterfacePage({ parts }: { readonly parts: DescribedInterface }) {
  const [search, setSearch] = useState('');
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const found = parts
    .map(({ about, operations }) => ({ about, operations: operations.filter((each) => has(each, words)) }))
    .filter(({ operations }) => operations.length > 0);
  return (
    <div className="page interface">
      <header className="page-head">
        <h1>Interface for programs</h1>
        <a className="soft" href="/api/v1/openapi.json">
          as OpenAPI 3.1
        </a>
      </header>
      <p className="soft">
        A program asks with a token: <code>Authorization: Bearer …</code>. Tokens are given under{' '}
        <a href="/settings#about=connections">Settings, Connections</a>. Amounts and quantities are decimal
        text, days are YYYY-MM-DD. A list is read on with <code>after</code>, the <code>next</code> of the
        page before. What is refused says why, with a code (RFC 9457).
      </p>
      <Input.Search
        allowClear
        aria-label="Find an operation"
        placeholder="Find: invoice, post customers, “record money”"
        value={search}
        onChange={({ target }) => setSearch(target.value)}
      />
      {found.map(({ about, operations }) => (
        <section key={about} aria-label={about}>
          <h2 className="section-head">{about}</h2>
          {operations.map((each) => (
            <Operation key={each.id} {...each} />
          ))}
        </section>
      ))}
      {found.length === 0 && (
        <p className="soft" role="status">
          No operation has these words.
        </p>
      )}
    </div>
  );
}

function Operation({
  method,
  path,
  title,
  note,
  needs,
  query,
  body,
  sends,
  answer,
  gives,
  id,
}: ShownOperation) {
  return (
    <details className="operation" id={id}>
      <summary>
        <span className="operation-title">{title}</span>
        <code className="operation-path">
          {method} {path}
        </code>
      </summary>
      {note && <p>{note}</p>}
      <p className="soft">
        {needs} Named <code>{id}</code> in a generated client.
      </p>
      <Fields title="Behind the “?”" fields={query} />
      <Fields title="Sent as JSON" fields={body} />
      {sends && (
        <p>
          Sent as a file: <code>{sends}</code>
        </p>
      )}
      <Fields title="Answered as JSON" fields={answer} />
      {gives && (
        <p>
          Answered as a file: <code>{gives}</code>
        </p>
      )}
    </details>
  );
}

function Fields({ title, fields }: { readonly title: string; readonly fields: readonly ShownField[] }) {
  if (fields.length === 0) return null;
  return (
    <>
      <h3>{title}</h3>
      <PlainTable
        label={title}
        rows={fields}
        rowKey={({ name }) => name}
        columns={[
          {
            key: 'name',
            title: 'Field',
            className: 'anywhere',
            width: '36%',
            cell: ({ name, needed }) => (
              <>
                <code>{name}</code>
                {!needed && <span className="soft"> may be left out</span>}
              </>
            ),
          },
          { key: 'kind', title: 'Kind', width: '22%', cell: ({ kind }) => kind },
          { key: 'about', title: '', cell: ({ about }) => about },
        ]}
      />
    </>
  );
}
