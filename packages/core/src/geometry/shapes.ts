import { shapeFromForm, type FormPoint, type Grip, type PieceForm, type PieceShape } from './piece-form';
import type { ProfilePoint } from './profile';

const points = (...pairs: [radiusMm: number, heightMm: number][]): FormPoint[] => pairs.map(([radiusMm, heightMm]) => ({ radiusMm, heightMm }));
const grip = (kind: Grip['kind'], upperMm: number, lowerMm: number, outMm: number, widthMm: number, thickMm: number): Grip => ({
  kind,
  upperMm,
  lowerMm,
  outMm,
  widthMm,
  thickMm,
});

export interface NamedForm {
  id: string;
  name: string;
  form: PieceForm;
}

/** Forms to start from. The sizes are made up, to cover steep, flaring, closed and flat walls. */
export const PIECE_FORMS: readonly NamedForm[] = [
  { id: 'cup', name: 'Cup', form: { wallMm: 4, floorMm: 6, foot: 'ring', points: points([30, 0], [32, 4], [38, 14], [41, 40], [41, 70], [42, 88]) } },
  {
    id: 'mug',
    name: 'Mug with a handle',
    form: {
      wallMm: 4,
      floorMm: 6,
      foot: 'flat',
      grip: grip('handle', 82, 26, 34, 18, 8),
      points: points([36, 0], [39, 5], [43, 25], [43, 60], [41, 85], [42, 98]),
    },
  },
  {
    id: 'bowl',
    name: 'Bowl',
    form: { wallMm: 5, floorMm: 8, foot: 'ring', points: points([34, 0], [36, 7], [58, 22], [76, 46], [84, 70]) },
  },
  {
    id: 'cazuela',
    name: 'Cazuela',
    form: {
      wallMm: 5,
      floorMm: 7,
      foot: 'flat',
      grip: grip('lugs', 54, 34, 16, 30, 9),
      points: points([48, 0], [52, 5], [68, 20], [76, 38], [78, 55], [80, 62]),
    },
  },
  {
    id: 'liddedPot',
    name: 'Lidded pot',
    form: { wallMm: 5, floorMm: 8, foot: 'flat', points: points([52, 0], [55, 6], [78, 45], [88, 95], [84, 140], [66, 172], [62, 182], [68, 200]) },
  },
  {
    id: 'platter',
    name: 'Platter',
    form: { wallMm: 7, floorMm: 9, foot: 'ring', points: points([92, 0], [95, 6], [130, 16], [158, 28], [165, 36]) },
  },
  {
    id: 'bottle',
    name: 'Oil bottle',
    form: { wallMm: 4, floorMm: 6, foot: 'flat', points: points([34, 0], [37, 5], [47, 40], [49, 90], [40, 130], [18, 158], [14, 185], [18, 204]) },
  },
  {
    id: 'vase',
    name: 'Vase',
    form: { wallMm: 5, floorMm: 8, foot: 'flared', points: points([44, 0], [40, 8], [46, 40], [62, 95], [60, 140], [38, 178], [36, 192], [46, 210]) },
  },
  {
    id: 'planter',
    name: 'Planter',
    form: { wallMm: 6, floorMm: 9, foot: 'flat', holeMm: 16, points: points([55, 0], [57, 6], [66, 50], [75, 105], [80, 140], [82, 150]) },
  },
  { id: 'tile', name: 'Tile', form: { wallMm: 7, floorMm: 7, slabMm: 60, points: points([30, 0], [30, 110]) } },
];

export const PIECE_SHAPES: readonly PieceShape[] = PIECE_FORMS.map(({ form, ...named }) => shapeFromForm(form, named));

/**
 * Returns the shape of a plan: its own form where it was drawn, else the ready-made one it started from.
 *
 * @param plan - `shapeId`, one of PIECE_SHAPES (the first where it is not known); `form`, the drawn form
 * @example
 * shapeOf({ shapeId: 'cup' }).wallMm // 4
 */
export function shapeOf({ shapeId, form }: { shapeId: string; form?: PieceForm | undefined }): PieceShape {
  const ready = PIECE_SHAPES.find((shape) => shape.id === shapeId) ?? PIECE_SHAPES[0]!;
  return form ? drawnOut(form, ready) : ready;
}

/** The curve of a form is asked for many times: the same object is computed once. */
const drawn = new WeakMap<PieceForm, PieceShape>();

function drawnOut(form: PieceForm, ready: PieceShape): PieceShape {
  const known = drawn.get(form);
  if (known?.id === ready.id) return known;
  const shape = shapeFromForm(form, ready);
  drawn.set(form, shape);
  return shape;
}

/**
 * Returns the form of a plan, to be changed.
 *
 * @param plan - `shapeId`, one of PIECE_FORMS (the first where it is not known); `form`, the drawn form
 * @example
 * formOf({ shapeId: 'cup' }).points.length > 1 // true
 */
export const formOf = ({ shapeId, form }: { shapeId: string; form?: PieceForm | undefined }): PieceForm =>
  form ?? (PIECE_FORMS.find((ready) => ready.id === shapeId) ?? PIECE_FORMS[0]!).form;

/**
 * Returns the inside of a form: the outside moved in by the wall along its normal, from the centre of the floor up to the rim.
 *
 * @param shape - `outside`, `wallMm` and `floorMm`, mm
 * @example
 * insideProfile({ outside: [{ radiusMm: 40, heightMm: 0 }, { radiusMm: 40, heightMm: 90 }], wallMm: 5, floorMm: 6 }).at(-1).radiusMm // 35
 */
export function insideProfile({ outside, wallMm, floorMm }: Pick<PieceShape, 'outside' | 'wallMm' | 'floorMm'>): ProfilePoint[] {
  const wall: ProfilePoint[] = [];
  for (let i = 0; i < outside.length; i++) {
    const before = outside[Math.max(0, i - 1)]!;
    const after = outside[Math.min(outside.length - 1, i + 1)]!;
    const here = outside[i]!;
    const run = Math.max(1e-9, Math.sqrt((after.radiusMm - before.radiusMm) ** 2 + (after.heightMm - before.heightMm) ** 2));
    const moved = {
      radiusMm: Math.max(1, here.radiusMm - (wallMm * (after.heightMm - before.heightMm)) / run),
      heightMm: here.heightMm + (wallMm * (after.radiusMm - before.radiusMm)) / run,
    };
    if (i === outside.length - 1) moved.heightMm = here.heightMm;
    // Where a curve bends tighter than the wall is thick, the moved line would loop. It is made to climb only.
    if (moved.heightMm > Math.max(floorMm, wall.at(-1)?.heightMm ?? floorMm)) wall.push(moved);
  }
  const floorRadius = wall[0]?.radiusMm ?? 1;
  return [{ radiusMm: 0, heightMm: floorMm }, { radiusMm: Math.max(0, floorRadius - wallMm), heightMm: floorMm }, ...wall];
}
