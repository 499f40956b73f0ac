/** Labels by what they measure. A sheet of them is A4, counted across and down with the gaps between. */
export interface LabelSize {
  widthMm: number;
  heightMm: number;
  sheet?: { across: number; down: number; leftMm: number; topMm: number; gapXMm: number; gapYMm: number };
}

/** How many lie on one page. */
export const labelsPerPage = ({ sheet }: LabelSize): number => (sheet ? sheet.across * sheet.down : 1);

/** Where the label of this number lies on its page, from 0. */
export function labelPlace({ sheet, widthMm, heightMm }: LabelSize, index: number): { xMm: number; yMm: number } {
  if (!sheet) return { xMm: 0, yMm: 0 };
  const { across, leftMm, topMm, gapXMm, gapYMm } = sheet;
  return { xMm: leftMm + (index % across) * (widthMm + gapXMm), yMm: topMm + Math.floor(index / across) * (heightMm + gapYMm) };
}

export const LABEL_SIZES: Readonly<Record<string, LabelSize>> = {
  '62x29': { widthMm: 62, heightMm: 29 },
  '89x36': { widthMm: 89, heightMm: 36 },
  '100x62': { widthMm: 100, heightMm: 62 },
  'a4-70x42': { widthMm: 70, heightMm: 42.4, sheet: { across: 3, down: 7, leftMm: 0, topMm: 0.1, gapXMm: 0, gapYMm: 0 } },
  'a4-99x38': { widthMm: 99.1, heightMm: 38.1, sheet: { across: 2, down: 7, leftMm: 4.65, topMm: 15.15, gapXMm: 2.5, gapYMm: 0 } },
  'a4-105x74': { widthMm: 105, heightMm: 74.2, sheet: { across: 2, down: 4, leftMm: 0, topMm: 0.1, gapXMm: 0, gapYMm: 0 } },
};
