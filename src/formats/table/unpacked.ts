import { fromBuffer } from 'yauzl';
import { TableError } from './table';

/** What a workbook may unpack to: a full list of fifty thousand rows unpacks to about 30 MB. */
export const MOST_UNPACKED = 200 * 1024 * 1024;
const MOST_ENTRIES = 2000;

const tooMuch = () => new TableError('This workbook unpacks to far too much. Save only the sheet you need.');
const damaged = () =>
  new TableError('This workbook is damaged and cannot be read. Save it again, or as CSV.');

/**
 * Counts what a ZIP unpacks to, while unpacking and whatever it says of itself, and stops when that is too much.
 * @returns the bytes
 * @throws TableError for too much, and for what is no ZIP
 */
export function unpackedSize(bytes: Uint8Array, most = MOST_UNPACKED): Promise<number> {
  return new Promise((resolve, reject) => {
    fromBuffer(Buffer.from(bytes), { lazyEntries: true }, (error, zip) => {
      if (error) {
        reject(damaged());
        return;
      }
      let size = 0;
      let entries = 0;
      const stop = (problem: TableError) => {
        zip.close();
        reject(problem);
      };
      zip.on('error', () => stop(damaged()));
      zip.on('end', () => resolve(size));
      zip.on('entry', (entry) => {
        entries += 1;
        if (entries > MOST_ENTRIES || entry.uncompressedSize > most) {
          stop(tooMuch());
          return;
        }
        zip.openReadStream(entry, (wrong, stream) => {
          if (wrong) {
            stop(damaged());
            return;
          }
          stream.on('error', () => stop(damaged()));
          stream.on('end', () => zip.readEntry());
          stream.on('data', (part: Buffer) => {
            size += part.length;
            if (size <= most) return;
            stream.destroy();
            stop(tooMuch());
          });
        });
      });
      zip.readEntry();
    });
  });
}
