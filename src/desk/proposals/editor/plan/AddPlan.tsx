'use client';

import { Alert, Button, Modal } from 'antd';
import { FileDrop } from '@/ui/fields/FileField';
import type { PDFDocumentProxy } from 'pdfjs-dist';
import { useEffect, useState } from 'react';
import type { KeptFile } from '@/services/files/keep';
import { askDoor, sendFile } from '@/ui/askDoor';
import { drawPage, openPdf } from './pdfPages';

const samples = [
  { key: 'rear-porch', name: 'Rear of house, ground floor' },
  { key: 'attic', name: 'Attic floor' },
] as const;
/** More pages than this are not offered at once. */
const MOST_PAGES = 60;

interface Chosen {
  readonly pdf: PDFDocumentProxy;
  readonly name: string;
  readonly pages: readonly { readonly number: number; readonly picture: string }[];
}

const keep = (name: string, body: Blob): Promise<KeptFile> =>
  sendFile<KeptFile>(`/api/v1/files?kind=plan&name=${encodeURIComponent(name)}`, body);

const dataUrl = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.onerror = () => reject(new Error('The page cannot be read.'));
    reader.readAsDataURL(blob);
  });

/** Brings a plan in: a picture, a page of a PDF, or one of the drawn samples. */
export function AddPlan({
  open,
  close,
  add,
}: {
  readonly open: boolean;
  readonly close: () => void;
  readonly add: (file: KeptFile) => void;
}) {
  const [busy, setBusy] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const shut = () => {
    setChosen(null);
    setTrouble(null);
    close();
  };
  useEffect(() => () => void chosen?.pdf.destroy(), [chosen]);

  const during = async (what: string, work: () => Promise<KeptFile | null>) => {
    setBusy(what);
    setTrouble(null);
    try {
      const file = await work();
      if (file) {
        add(file);
        shut();
      }
    } catch (error) {
      setTrouble((error as Error).message);
    } finally {
      setBusy(null);
    }
  };
  const page = (pdf: PDFDocumentProxy, number: number, name: string) =>
    during(`Drawing page ${number} …`, async () =>
      keep(pdf.numPages > 1 ? `${name}, page ${number}` : name, await drawPage(pdf, number)),
    );
  const take = (file: File) =>
    during(`Reading ${file.name} …`, async () => {
      const name = file.name.replace(/\.[a-z]+$/i, '');
      if (!/\.pdf$/i.test(file.name) && file.type !== 'application/pdf') return keep(name, file);
      const pdf = await openPdf(file).catch(() => {
        throw new Error('This PDF cannot be read. It may be damaged or locked by a password.');
      });
      if (pdf.numPages === 1) return keep(name, await drawPage(pdf, 1));
      const pages = [];
      for (let number = 1; number <= Math.min(pdf.numPages, MOST_PAGES); number += 1)
        pages.push({ number, picture: await dataUrl(await drawPage(pdf, number, 200)) });
      setChosen({ pdf, name, pages });
      return null;
    });

  return (
    <Modal open={open} onCancel={shut} footer={null} title="Add a plan" width={640} destroyOnHidden>
      {trouble && <Alert type="error" title={trouble} className="below" />}
      {busy ? (
        <p role="status">{busy}</p>
      ) : chosen ? (
        <>
          <p>Which page?</p>
          <div className="plan-pages">
            {chosen.pages.map(({ number, picture }) => (
              <button key={number} type="button" onClick={() => void page(chosen.pdf, number, chosen.name)}>
                {/* eslint-disable-next-line @next/next/no-img-element -- drawn here, not served */}
                <img src={picture} alt="" />
                Page {number}
              </button>
            ))}
          </div>
          {chosen.pdf.numPages > MOST_PAGES && (
            <p className="soft">The first {MOST_PAGES} pages. Divide the file for those behind.</p>
          )}
        </>
      ) : (
        <div className="plan-drop">
          <FileDrop
            label="File of a plan"
            accept="image/png,image/jpeg,image/webp,application/pdf"
            take={(file) => void take(file)}
          >
            <strong>Choose a file, drop or paste it here</strong>
            <div className="soft">A photo or scan (PNG, JPEG, WebP) or a PDF, up to 25 MB.</div>
          </FileDrop>
          <p className="soft plan-samples">
            To try it:{' '}
            {samples.map(({ key, name }) => (
              <Button
                key={key}
                size="small"
                onClick={() =>
                  void during('Taking the sample …', () =>
                    askDoor<KeptFile>(`/api/desk/files/sample?key=${key}`, { method: 'POST' }),
                  )
                }
              >
                {name}
              </Button>
            ))}
          </p>
        </div>
      )}
    </Modal>
  );
}
