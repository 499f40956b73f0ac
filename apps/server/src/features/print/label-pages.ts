import { ProblemError } from '../../http/problem-error';
import { labelPlace, LABEL_SIZES, labelsPerPage, type LabelSize } from './label-sizes';
import { A4, MM, paper } from './paper';

const MOST_LABELS = 60;

export interface LabelsAsked {
  size: LabelSize;
  copies: number;
  /** Labels that are gone from the first sheet. */
  skip: number;
}

/** Reads size, copies and the first free place of a request for labels; a sheet is filled when no count is given. */
export function labelsAsked(query: Record<string, unknown>, usualCopies?: number): LabelsAsked {
  const asked = typeof query['size'] === 'string' ? query['size'] : '62x29';
  const size = Object.hasOwn(LABEL_SIZES, asked) ? LABEL_SIZES[asked] : undefined;
  if (!size) throw new ProblemError('checkInput', `Labels come in these sizes: ${Object.keys(LABEL_SIZES).join(', ')}.`);
  const perPage = labelsPerPage(size);
  const first = query['first'] === undefined ? 1 : Number(query['first']);
  if (!Number.isInteger(first) || first < 1 || first > perPage)
    throw new ProblemError('checkInput', `The first free place on this sheet is from 1 to ${perPage}.`);
  const copies = query['copies'] === undefined ? (usualCopies ?? perPage - first + 1) : Number(query['copies']);
  if (!Number.isInteger(copies) || copies < 1 || copies > MOST_LABELS)
    throw new ProblemError('checkInput', `Print from 1 to ${MOST_LABELS} labels at once.`);
  return { size, copies, skip: first - 1 };
}

/** Draws labels one after another, on as many pages as they need. */
export async function labelPages(
  title: string,
  { size, copies, skip }: LabelsAsked,
  draw: (doc: PDFKit.PDFDocument, place: { xMm: number; yMm: number; index: number }) => void,
): Promise<PDFKit.PDFDocument> {
  const [perPage, page] = [labelsPerPage(size), size.sheet ? A4 : size];
  const doc = await paper(page, title);
  for (let index = 0; index < copies; index++) {
    const at = index + skip;
    if (index > 0 && at % perPage === 0) doc.addPage({ size: [page.widthMm * MM, page.heightMm * MM], margin: 0 });
    draw(doc, { ...labelPlace(size, at % perPage), index });
  }
  return doc;
}
