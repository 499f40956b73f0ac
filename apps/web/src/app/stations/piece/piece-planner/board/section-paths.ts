import type { PiecePlan, PieceShape } from '@cazuela/core';
import { COAT_EXAGGERATION } from '../../../../parts/piece-drawing/coats';
import { handleColourOf } from '../../../../parts/piece-drawing/colours';
import { PieceDrawing } from '../../../../parts/piece-drawing/piece-drawing';

export interface SectionPath {
  d: string;
  fill?: string;
  stroke?: string;
  width?: number;
}

export interface SectionSheet {
  left: number;
  top: number;
  wide: number;
  high: number;
  paths: SectionPath[];
  /** A line from each label to its place: only with the labels. */
  leads: SectionPath[];
  labels: { x: number; y: number; anchor: 'start' | 'end'; what: string; how: string }[];
  note: string;
}

const INK = '#30231b';
const WAXED = '#d9d3c7';
const BAR_MM = 50;
const SIDE = 150;

/** The section as plain paths, for paper and for a drawing file: it needs no styles of this page. */
export function sectionSheet(question: {
  shape: PieceShape;
  plan: PiecePlan;
  colours: ReadonlyMap<string, string>;
  names: ReadonlyMap<string, string>;
  clay: string;
}): SectionSheet {
  const { shape, plan, colours, names, clay } = question;
  const drawing = new PieceDrawing(shape, plan, colours, names);
  const { height, halfWidth, scale } = drawing.fit;
  const handle = drawing.handle();
  const bar = `M${-halfWidth} ${height + 24}L${-halfWidth + BAR_MM * scale} ${height + 24}`;
  return {
    left: -halfWidth - SIDE,
    top: -16,
    wide: 2 * halfWidth + 2 * SIDE + drawing.gripOut(),
    high: height + 66,
    paths: [
      ...(handle
        ? [
            { d: handle.path, stroke: INK, width: handle.width + 3 },
            { d: handle.path, stroke: handleColourOf(plan, colours, clay), width: handle.width },
          ]
        : []),
      { d: enclosed(drawing.outside()), fill: clay },
      ...drawing.zones(WAXED).map((zone) => ({ d: enclosed(zone.points), fill: zone.colour })),
      ...drawing.coats().map((coat) => ({ d: line(coat.points), stroke: coat.colour, width: coat.width })),
      { d: enclosed(drawing.wall()), fill: INK },
      { d: enclosed(drawing.outside()), stroke: INK, width: 2.2 },
      { d: `M0 -8L0 ${height + 18}`, stroke: INK, width: 0.8 },
      { d: bar, stroke: INK, width: 2 },
    ],
    leads: drawing.labels().map((label) => ({ d: `M${label.fromX} ${label.y}L${label.x} ${label.textY}`, stroke: INK, width: 0.8 })),
    labels: drawing.labels().map(({ textX, textY, anchor, what, how }) => ({ x: textX, y: textY, anchor, what, how })),
    note: `The bar is ${BAR_MM} mm; coats are drawn ${COAT_EXAGGERATION} times as thick as they are.`,
  };
}

/** The section as an SVG file of its own. */
export function sectionSvg(sheet: SectionSheet, title: string): string {
  const paths = [...sheet.paths, ...sheet.leads].map(
    ({ d, fill = 'none', stroke, width = 1 }) =>
      `<path d="${d}" fill="${fill}"${stroke ? ` stroke="${stroke}" stroke-width="${width}" stroke-linejoin="round"` : ''}/>`,
  );
  const labels = sheet.labels.map(
    ({ x, y, anchor, what, how }) =>
      `<text x="${x}" y="${y - 3}" text-anchor="${anchor}" font-size="14" font-weight="700">${escaped(what)}</text><text x="${x}" y="${y + 13}" text-anchor="${anchor}" font-size="13">${escaped(how)}</text>`,
  );
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${sheet.left} ${sheet.top} ${sheet.wide} ${sheet.high}" font-family="sans-serif" fill="${INK}">`,
    `<title>${escaped(title)}</title>`,
    ...paths,
    ...labels,
    `<text x="${sheet.left + 20}" y="${sheet.top + sheet.high - 8}" font-size="13">${escaped(sheet.note)}</text>`,
    '</svg>',
  ].join('\n');
}

const line = (points: string): string => (points ? `M${points.replaceAll(' ', 'L')}` : '');
const enclosed = (points: string): string => (points ? `${line(points)}Z` : '');
const escaped = (words: string): string => words.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!);
