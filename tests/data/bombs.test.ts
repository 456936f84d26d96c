/* Files made to break their reader: the server answers with a sentence, and lives. */
import { crc32, deflateRawSync } from 'node:zlib';
import ExcelJS from 'exceljs';
import { readTableApart } from '@/formats/table/readTableApart';
import { readXlsx } from '@/formats/table/readXlsx';
import { unpackedSize } from '@/formats/table/unpacked';

/** A ZIP (APPNOTE 6.3, from memory) of entries given in chunks that repeat, so that it packs to almost nothing. */
function zipOf(entries: readonly { name: string; text: string; declared?: number }[]): Uint8Array {
  const parts: Buffer[] = [];
  const directory: Buffer[] = [];
  let at = 0;
  for (const { name, text, declared } of entries) {
    const raw = Buffer.from(text);
    const packed = deflateRawSync(raw, { level: 9 });
    const size = declared ?? raw.length;
    const head = Buffer.alloc(30);
    head.writeUInt32LE(0x04034b50, 0);
    head.writeUInt16LE(20, 4);
    head.writeUInt16LE(8, 8);
    head.writeUInt32LE(crc32(raw), 14);
    head.writeUInt32LE(packed.length, 18);
    head.writeUInt32LE(size, 22);
    head.writeUInt16LE(name.length, 26);
    const central = Buffer.alloc(46);
    central.writeUInt32LE(0x02014b50, 0);
    central.writeUInt16LE(20, 4);
    central.writeUInt16LE(20, 6);
    // Flags to the length of the name stand in the same order in both.
    head.copy(central, 8, 6, 30);
    central.writeUInt32LE(at, 42);
    directory.push(central, Buffer.from(name));
    parts.push(head, Buffer.from(name), packed);
    at += head.length + name.length + packed.length;
  }
  const central = Buffer.concat(directory);
  const end = Buffer.alloc(22);
  end.writeUInt32LE(0x06054b50, 0);
  end.writeUInt16LE(entries.length, 8);
  end.writeUInt16LE(entries.length, 10);
  end.writeUInt32LE(central.length, 12);
  end.writeUInt32LE(at, 16);
  return new Uint8Array(Buffer.concat([...parts, central, end]));
}

const sheetHead =
  '<?xml version="1.0"?><worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>';
const around = [
  {
    name: '[Content_Types].xml',
    text: '<?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="xml" ContentType="application/xml"/></Types>',
  },
  {
    name: 'xl/workbook.xml',
    text: '<?xml version="1.0"?><workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="A" sheetId="1" r:id="rId1"/></sheets></workbook>',
  },
  {
    name: 'xl/_rels/workbook.xml.rels',
    text: '<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/></Relationships>',
  },
];

const strings = (megabytes: number) =>
  `<?xml version="1.0"?><sst xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><si><t>${'x'.repeat(megabytes * 1024 * 1024)}</t></si></sst>`;

test('shared strings of hundreds of megabytes in a small file are refused while they are unpacked', async () => {
  const bomb = zipOf([
    ...around,
    { name: 'xl/sharedStrings.xml', text: strings(300) },
    { name: 'xl/worksheets/sheet1.xml', text: `${sheetHead}</sheetData></worksheet>` },
  ]);
  expect(bomb.length).toBeLessThan(1024 * 1024);
  await expect(readTableApart(bomb)).rejects.toThrow('unpacks to far too much');
}, 90_000);

test('a file that says it is small and is not is found out while it is unpacked', async () => {
  const liar = zipOf([{ name: 'a.xml', text: 'y'.repeat(40_000_000), declared: 10 }]);
  await expect(unpackedSize(liar, 1_000_000)).rejects.toThrow(/unpacks|damaged/);
});

test('millions of cells in a small file are refused, and do not hang', async () => {
  const letters = (n: number): string =>
    (n >= 26 ? letters(Math.floor(n / 26) - 1) : '') + String.fromCharCode(65 + (n % 26));
  const columns = Array.from({ length: 2100 }, (_, i) => letters(i));
  const row = (i: number) => `<row r="${i}">${columns.map((at) => `<c r="${at}${i}"/>`).join('')}</row>`;
  const bomb = zipOf([
    ...around,
    {
      name: 'xl/worksheets/sheet1.xml',
      text: `${sheetHead}${Array.from({ length: 100 }, (_, i) => row(i + 1)).join('')}</sheetData></worksheet>`,
    },
  ]);
  // The bound is lowered, as a sheet of three million takes its time to make.
  await expect(readXlsx(bomb, 100_000)).rejects.toThrow('millions of cells');
}, 120_000);

test('a reader that runs out of memory or time takes nothing with it', async () => {
  const book = new ExcelJS.Workbook();
  const sheet = book.addWorksheet('A');
  for (let i = 0; i < 20_000; i += 1) sheet.addRow([`code ${i}`, `a name that is ${i} long`.repeat(20), i]);
  const file = new Uint8Array(await book.xlsx.writeBuffer());
  await expect(readTableApart(file, { memory: 16, time: 60_000 })).rejects.toThrow(/unpacks|cannot be read/);
  await expect(readTableApart(file, { memory: 400, time: 1 })).rejects.toThrow('too long');
  const table = await readTableApart(file);
  expect(table.rows.length).toBeGreaterThan(19_990);
}, 120_000);
