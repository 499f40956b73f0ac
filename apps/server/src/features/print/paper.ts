import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import * as woff2 from 'wawoff2';

/** One millimetre in points. */
export const MM = 72 / 25.4;
export const MARGIN_MM = 15;

const FONT_FILES = {
  text: '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff2',
  heading: '@fontsource/bitter/files/bitter-latin-600-normal.woff2',
  figures: '@fontsource/ibm-plex-mono/files/ibm-plex-mono-latin-500-normal.woff2',
} as const;

export interface Paper {
  widthMm: number;
  heightMm: number;
}
export const A4: Paper = { widthMm: 210, heightMm: 297 };

let loadedFonts: Promise<[string, Buffer][]> | undefined;

/** Unpacked once: a subset of a packed font loses accents and fractions, whose glyphs are made of two. */
async function loadFonts(): Promise<[string, Buffer][]> {
  // Packages are found from the program that was started, wherever it was bundled to.
  const find = createRequire(process.argv[1]!);
  const load = async (file: string): Promise<Buffer> => Buffer.from(await woff2.decompress(await readFile(find.resolve(file))));
  return Promise.all(Object.entries(FONT_FILES).map(async ([name, file]): Promise<[string, Buffer]> => [name, await load(file)]));
}

/** A document with our own fonts, black on white. */
export async function paper({ widthMm, heightMm }: Paper, title: string): Promise<PDFKit.PDFDocument> {
  const fonts = await (loadedFonts ??= loadFonts());
  const doc = new PDFDocument({ size: [widthMm * MM, heightMm * MM], margin: 0, info: { Title: title, Creator: 'Cazuela' } });
  for (const [name, bytes] of fonts) doc.registerFont(name, bytes);
  return doc;
}

/** The finished bytes. */
export function bytesOf(doc: PDFKit.PDFDocument): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = [];
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
    doc.end();
  });
}

export interface Column {
  title: string;
  widthMm: number;
  align?: 'left' | 'right';
  font?: 'text' | 'figures';
}

/** Draws a table with a line under every row and a box to tick, over several pages when needed. Returns the y below it, mm. */
export function table(
  doc: PDFKit.PDFDocument,
  question: { topMm: number; columns: readonly Column[]; rows: readonly (readonly string[])[]; withTickBox?: boolean; page: Paper },
): number {
  const { columns, rows, withTickBox = false, page } = question;
  let y = question.topMm;
  const rowMm = 9;
  const line = (cells: readonly string[], size: number, heading: boolean): void => {
    let x = MARGIN_MM;
    cells.forEach((cell, index) => {
      const { widthMm, align = 'left', font = 'text' } = columns[index]!;
      const options = { width: (widthMm - 2) * MM, align, lineBreak: false, ellipsis: true } as const;
      doc
        .font(heading ? 'text' : font)
        .fontSize(size)
        .text(cell, x * MM, y * MM, options);
      x += widthMm;
    });
    if (withTickBox && !heading)
      doc
        .rect(x * MM, (y - 0.3) * MM, 5 * MM, 5 * MM)
        .lineWidth(0.7)
        .stroke();
    doc
      .moveTo(MARGIN_MM * MM, (y + rowMm - 2.5) * MM)
      .lineTo((page.widthMm - MARGIN_MM) * MM, (y + rowMm - 2.5) * MM)
      .lineWidth(0.3)
      .stroke();
    y += rowMm;
  };
  const head = (): void =>
    line(
      columns.map((column) => column.title),
      9,
      true,
    );
  head();
  for (const row of rows) {
    if (y > page.heightMm - MARGIN_MM - rowMm) {
      doc.addPage({ size: [page.widthMm * MM, page.heightMm * MM], margin: 0 });
      y = MARGIN_MM;
      head();
    }
    line(row, 12, false);
  }
  return y;
}

export function text(
  doc: PDFKit.PDFDocument,
  words: string,
  at: { xMm: number; yMm: number; widthMm: number; size: number; font?: 'text' | 'heading' | 'figures' },
): number {
  doc
    .font(at.font ?? 'text')
    .fontSize(at.size)
    .text(words, at.xMm * MM, at.yMm * MM, { width: at.widthMm * MM });
  return doc.y / MM;
}
