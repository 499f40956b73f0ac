import {
  isBand,
  formOf,
  tallMm,
  type FormPoint,
  type Grip,
  type Mask,
  type PieceForm,
  type PiecePlan,
  type PieceShape,
  type Strip,
  type Turn,
} from '@cazuela/core';

/** Something on the drawing that can be dragged or moved by the arrow keys. */
export interface Handle {
  key: string;
  /** For screen readers, and as a title. */
  words: string;
  radiusMm: number;
  heightMm: number;
  /** Whether it moves sideways as well. */
  free: boolean;
  /** An edge is a line across the outside, a side one down a panel; a point is a dot. */
  looks: 'edge' | 'side' | 'point' | 'corner' | 'grip';
  /** For a side: how far round it is. */
  share?: number;
  /** For a side: the height of the panel there. */
  upToMm?: number;
  /** The plan when it is moved there. */
  moved: (to: Place) => Partial<PiecePlan>;
}

/** Where the pointer is: on the outline, and for a panel's side how far round. */
export interface Place {
  radiusMm: number;
  heightMm: number;
  share?: number;
}

/** Whether two places are the same for a handle: an edge only goes up and down, a side only round. */
export function isSamePlace({ free, looks }: Handle, a: Place, b: Place): boolean {
  if (looks === 'side') return a.share === b.share;
  return a.heightMm === b.heightMm && (!free || a.radiusMm === b.radiusMm);
}

/** Edges of zones, strips and masks, each with the plan it leads to. */
export function edgeHandles(plan: PiecePlan, shape: PieceShape): Handle[] {
  const topMm = tallMm(shape);
  const edge = (key: string, words: string, heightMm: number, moved: (heightMm: number) => Partial<PiecePlan>): Handle => ({
    key,
    words,
    radiusMm: 0,
    heightMm,
    free: false,
    looks: 'edge',
    moved: (to) => moved(Math.min(topMm, Math.max(0, to.heightMm))),
  });
  const strips = (id: string, change: Partial<Strip>): Partial<PiecePlan> => ({
    strips: (plan.strips ?? []).map((strip) => (strip.id === id ? { ...strip, ...change } : strip)),
  });
  const masks = (id: string, change: Partial<Mask>): Partial<PiecePlan> => ({
    masks: (plan.masks ?? []).map((mask) => (mask.id === id ? { ...mask, ...change } : mask)),
  });
  return [
    edge('wax', 'Upper edge of the bare foot', plan.waxFootMm, (waxFootMm) => ({ waxFootMm })),
    ...(plan.zones.rim.length > 0
      ? [edge('rim', 'Lower edge of the rim band', topMm - plan.rimBandMm, (mm) => ({ rimBandMm: round(topMm - mm) }))]
      : []),
    ...(plan.strips ?? []).flatMap((strip, at) => {
      // The joints of a handle are points of the form.
      if (strip.on) return [];
      const name = `${strip.turn ? 'panel' : 'strip'} ${at + 1}`;
      return [
        edge(`${strip.id} from`, `Lower edge of ${name}`, strip.fromMm, (fromMm) => strips(strip.id, { fromMm })),
        edge(`${strip.id} to`, `Upper edge of ${name}`, strip.toMm, (toMm) => strips(strip.id, { toMm })),
      ];
    }),
    ...(plan.masks ?? []).flatMap((mask, at) =>
      !isBand(mask)
        ? []
        : [
            edge(`${mask.id} from`, `Lower edge of mask ${at + 1}`, mask.fromMm, (fromMm) => masks(mask.id, { fromMm })),
            edge(`${mask.id} to`, `Upper edge of mask ${at + 1}`, mask.toMm, (toMm) => masks(mask.id, { toMm })),
          ],
    ),
  ];
}

/** Left and right side of each panel, and of each mask on a part of the turn. */
export function sideHandles(plan: PiecePlan): Handle[] {
  const sides = (key: string, name: string, of: { fromMm: number; toMm: number; turn: Turn }, moved: (turn: Turn) => Partial<PiecePlan>): Handle[] =>
    (['from', 'to'] as const).map((which) => ({
      key: `${key} turn ${which}`,
      words: `${which === 'from' ? 'Left' : 'Right'} side of ${name}`,
      radiusMm: 0,
      heightMm: of.fromMm,
      upToMm: of.toMm,
      free: false,
      looks: 'side',
      share: of.turn[which],
      moved: ({ share }) => moved({ ...of.turn, [which]: Math.round(100 * (((share ?? of.turn[which]) + 1) % 1)) / 100 }),
    }));
  return [
    ...(plan.strips ?? []).flatMap((strip, at) =>
      strip.turn
        ? sides(strip.id, `panel ${at + 1}`, { ...strip, turn: strip.turn }, (turn) => ({
            strips: plan.strips!.map((one) => (one.id === strip.id ? { ...one, turn } : one)),
          }))
        : [],
    ),
    ...(plan.masks ?? []).flatMap((mask, at) =>
      mask.turn
        ? sides(mask.id, `mask ${at + 1}`, { ...mask, turn: mask.turn }, (turn) => ({
            masks: plan.masks!.map((one) => (one.id === mask.id ? { ...one, turn } : one)),
          }))
        : [],
    ),
  ];
}

/** The points of the outside from foot to rim, and the joints of a handle or lugs. */
export function formHandles(plan: PiecePlan): Handle[] {
  const form = formOf(plan);
  const with_ = (change: Partial<PieceForm>): Partial<PiecePlan> => ({ form: { ...form, ...change } });
  const point = (here: FormPoint, at: number): Handle => {
    const name = at === 0 ? 'Foot' : at === form.points.length - 1 ? 'Rim' : `Point ${at + 1}`;
    return {
      key: `point ${at}`,
      words: name,
      radiusMm: here.radiusMm,
      heightMm: here.heightMm,
      free: form.slabMm === undefined,
      looks: here.corner ? 'corner' : 'point',
      // The foot stands on the shelf.
      moved: ({ radiusMm, heightMm }) =>
        with_({ points: form.points.map((one, index) => (index === at ? { ...one, radiusMm, heightMm: at === 0 ? 0 : heightMm } : one)) }),
    };
  };
  const joint = (key: 'upperMm' | 'lowerMm', grip: Grip): Handle => ({
    key,
    words: `${key === 'upperMm' ? 'Upper' : 'Lower'} joint of the ${grip.kind === 'lugs' ? 'lugs' : 'handle'}`,
    radiusMm: Number.NaN,
    heightMm: grip[key],
    free: false,
    looks: 'grip',
    moved: (to) => with_({ grip: { ...grip, [key]: to.heightMm } }),
  });
  return [...form.points.map(point), ...(form.grip ? [joint('upperMm', form.grip), joint('lowerMm', form.grip)] : [])];
}

/** A point between two others, where the line is longest; for the "one more" button. */
export function withPoint(points: readonly FormPoint[], after: number): FormPoint[] {
  const at = Math.min(points.length - 2, Math.max(0, after));
  const [a, b] = [points[at]!, points[at + 1]!];
  const middle = { radiusMm: round((a.radiusMm + b.radiusMm) / 2), heightMm: round((a.heightMm + b.heightMm) / 2) };
  return [...points.slice(0, at + 1), middle, ...points.slice(at + 1)];
}

export const round = (mm: number): number => Math.round(10 * mm) / 10;
