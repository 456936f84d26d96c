import type { PDFDocumentProxy } from 'pdfjs-dist';

/** How a page is drawn: 150 dots an inch, as letters of 8 points need, and never more than this on a side. */
const DOTS = 150;
const LONGEST = 4500;

/** Opens a PDF in the browser; a worker reads it, nothing of it is sent anywhere. */
export async function openPdf(file: File): Promise<PDFDocumentProxy> {
  const pdf = await import('pdfjs-dist');
  pdf.GlobalWorkerOptions.workerPort ??= new Worker(
    new URL('pdfjs-dist/build/pdf.worker.min.mjs', import.meta.url),
    { type: 'module' },
  );
  return pdf.getDocument({
    data: new Uint8Array(await file.arrayBuffer()),
    isEvalSupported: false,
    useSystemFonts: true,
  }).promise;
}

/** One page as a PNG, or smaller for choosing. */
export async function drawPage(pdf: PDFDocumentProxy, number: number, width?: number): Promise<Blob> {
  const page = await pdf.getPage(number);
  const plain = page.getViewport({ scale: 1 });
  const wanted = width === undefined ? DOTS / 72 : width / plain.width;
  const scale = Math.min(wanted, LONGEST / Math.max(plain.width, plain.height));
  const viewport = page.getViewport({ scale });
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(viewport.width);
  canvas.height = Math.round(viewport.height);
  await page.render({ canvas, viewport }).promise;
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('The page cannot be drawn.'))),
      'image/png',
    ),
  );
}
