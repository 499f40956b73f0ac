import { packShelf, planLoad, seededUniform, type KilnToLoad, type LoadPiece } from '@cazuela/core';
import type { Row } from './measure';

const PIECES = 80;
const MADE_UP_LOADS = 20;
const KILN: KilnToLoad = {
  outline: { kind: 'rectangular', widthMm: 500, depthMm: 450 },
  heightMm: 10_000,
  shelves: 60,
  shelfThickMm: 18,
  postsMm: [],
};
/** Best radii known for so many equal circles in a unit square. */
const BEST_RADII: readonly (readonly [count: number, radius: number])[] = [
  [5, 0.2071],
  [6, 0.1877],
  [7, 0.1745],
  [8, 0.1705],
  [9, 0.1667],
  [10, 0.1482],
  [12, 0.14],
  [14, 0.1293],
  [16, 0.125],
  [18, 0.1155],
  [20, 0.1114],
];
const SIDE_MM = 1_000;
const GAP_MM = 5;

function piecesOf(random: () => number, count: number): LoadPiece[] {
  return Array.from({ length: count }, (_, at): LoadPiece => {
    const size = 30 + 60 * random();
    const footprint = random() < 0.15 ? { kind: 'box' as const, widthMm: 2 * size, depthMm: size } : { kind: 'circle' as const, radiusMm: size };
    return { id: `p${at}`, footprint, heightMm: 60 + 120 * random(), isRunner: random() < 0.1 };
  });
}

/** Loads of the kiln, computed: how long, how near to the best circles known, and beside rows of pots. */
export function loadRows(): Row[] {
  const random = seededUniform(29);
  const started = performance.now();
  const { shelves } = planLoad(piecesOf(random, PIECES), KILN);
  const ms = performance.now() - started;
  const shares = BEST_RADII.map(([count, best]) => [count, leastShare(count, best)] as const);
  const worst = shares.reduce((a, b) => (b[1] < a[1] ? b : a));
  let [ours, rows] = [0, 0];
  for (let load = 0; load < MADE_UP_LOADS; load++) {
    const pieces = piecesOf(random, 50);
    ours += planLoad(pieces, KILN).shelves.length;
    rows += shelvesInRows(pieces, KILN);
  }
  return [
    { what: `a load of ${PIECES} mixed pieces, ${shelves.length} shelves`, measured: `${ms.toFixed(0)} ms`, wanted: 'under 1 s', ok: ms < 1_000 },
    {
      what: 'equal circles in a square beside the best known, 5 to 20: the worst',
      measured: `${(100 * worst[1]).toFixed(1)} % for ${worst[0]}`,
      wanted: 'at least 97 % of the radius',
      ok: worst[1] >= 0.97,
    },
    {
      what: `shelves for ${MADE_UP_LOADS} loads of 50, beside rows of pots`,
      measured: `${ours} to ${rows}, ${(100 * (1 - ours / rows)).toFixed(0)} % fewer`,
      wanted: 'at least 15 % fewer',
      ok: ours / rows <= 0.85,
    },
  ];
}

/** The largest share of the best radius, in half percents, at which all circles found a place. */
function leastShare(count: number, best: number): number {
  const outline = { kind: 'rectangular' as const, widthMm: SIDE_MM, depthMm: SIDE_MM };
  let share = 0.9;
  while (share < 1) {
    // Circles with half a gap each, in a square with half a gap round it.
    const radiusMm = (share + 0.005) * best * (SIDE_MM + GAP_MM) - GAP_MM / 2;
    const cups = Array.from({ length: count }, (_, at): LoadPiece => ({ id: `c${at}`, footprint: { kind: 'circle', radiusMm }, heightMm: 90 }));
    if (!packShelf(cups, outline, { effort: { beginnings: 30, moves: 40 } })) break;
    share += 0.005;
  }
  return share;
}

/** As it is mostly done: tallest first, row after row, each as deep as its widest pot, with the same gaps. */
function shelvesInRows(pieces: readonly LoadPiece[], { outline }: KilnToLoad): number {
  if (outline.kind !== 'rectangular') return 0;
  let [shelves, x, y, row] = [1, 0, 0, 0];
  for (const { footprint, isRunner } of [...pieces].sort((a, b) => b.heightMm - a.heightMm)) {
    const [wide, deep] = footprint.kind === 'circle' ? [2 * footprint.radiusMm, 2 * footprint.radiusMm] : [footprint.widthMm, footprint.depthMm];
    const gap = isRunner ? 15 : GAP_MM;
    if (x + wide > outline.widthMm) [x, y, row] = [0, y + row, 0];
    if (y + deep > outline.depthMm) [shelves, x, y, row] = [shelves + 1, 0, 0, 0];
    x += wide + gap;
    row = Math.max(row, deep + gap);
  }
  return shelves;
}
