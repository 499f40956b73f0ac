import { isOnWall, isOutside, rimIsApart, type Layer, type PiecePlan, type ProfilePoint, type Strip } from '@cazuela/core';
import { colourOf } from './colours';
import { rimFromMm } from './labels';
import type { Sheet } from './sheet';

/** Coats are drawn this many times as thick as they are. */
export const COAT_EXAGGERATION = 10;
/** A thinner coat would not be visible. */
const THINNEST_DRAWN = 1.5;
/** Bare line between two coats. */
const APART = 0.8;

export interface DrawnCoat {
  /** The corners of its line. */
  points: string;
  colour: string;
  width: number;
}

interface Along {
  layer: Layer;
  along: readonly ProfilePoint[];
}

/** Coats in section: on the outside outwards, inside inwards, the bottom layer first. Where a strip lies, its coats lie over the others. */
export function coatsOf(sheet: Sheet, plan: PiecePlan, colours: ReadonlyMap<string, string>): DrawnCoat[] {
  const { zones, waxFootMm, strips = [] } = plan;
  const { topMm, inner } = sheet;
  const apart = rimIsApart(plan);
  const bandsRound = strips.filter((strip) => isOnWall(strip) && strip.turn === undefined && strip.layers.length > 0);
  const rimFrom = rimFromMm(plan, topMm);
  const upper = sheet.between(waxFootMm, apart ? rimFrom : topMm);
  const rim = sheet.between(rimFrom, topMm);
  const first = bandsRound.filter((strip) => strip.first);
  const below = zones.outside.flatMap((layer) => without(sheet, upper, first).map((along) => ({ layer, along })));
  const band = zones.rim.map((layer) => ({ layer, along: rim }));
  const inside = inner.length > 0 ? zones.inside.map((layer) => ({ layer, along: inner.slice(1) })) : [];
  const beneath = thickness(sheet, zones.outside);
  const stack = (parts: readonly Along[], outwards: 1 | -1, under: number, layers: readonly Layer[]): DrawnCoat[] =>
    parts.flatMap(({ layer, along }) => {
      const lower = under + thickness(sheet, layers.slice(0, layers.indexOf(layer)));
      const width = widthOf(sheet, layer);
      const shift = outwards * (lower + width / 2 + 0.5);
      return along.length > 1 ? [{ points: sheet.drawn(along, -1, shift), colour: colourOf(layer, plan, colours), width }] : [];
    });
  // When they are apart, each lies on the bare wall.
  return [
    ...stack(masked(sheet, plan, below), 1, 0, zones.outside),
    ...stack(masked(sheet, plan, band), 1, apart ? 0 : beneath, zones.rim),
    ...bandsRound.flatMap((strip) => {
      const along = sheet.between(strip.fromMm, strip.toMm);
      return stack(
        masked(
          sheet,
          plan,
          strip.layers.map((layer) => ({ layer, along })),
        ),
        1,
        strip.first || strip.under ? 0 : beneath,
        strip.layers,
      );
    }),
    ...stack(inside, -1, 0, zones.inside),
    ...strips
      .filter((strip) => !isOutside(strip))
      .flatMap((strip) => {
        const along = inner.filter(({ heightMm }) => heightMm >= strip.fromMm && heightMm <= strip.toMm);
        return stack(
          strip.layers.map((layer) => ({ layer, along })),
          -1,
          strip.under ? 0 : thickness(sheet, zones.inside),
          strip.layers,
        );
      }),
  ];
}

/** A place that masks all round keep bare, or lay bare again, has no coat in section; a layer under the wax stays. */
function masked(sheet: Sheet, plan: PiecePlan, parts: readonly Along[]): readonly Along[] {
  const bands = (plan.masks ?? []).filter((mask) => mask.where === 'band' && isOutside(mask) && mask.linesShare === undefined);
  if (bands.length === 0) return parts;
  return parts.flatMap(({ layer, along }, at) => {
    const over = bands.filter((mask) => mask.overLayerId === undefined || parts.findIndex((part) => part.layer.id === mask.overLayerId) < at);
    return without(sheet, along, over).map((left) => ({ layer, along: left }));
  });
}

function without(sheet: Sheet, along: readonly ProfilePoint[], strips: readonly Pick<Strip, 'fromMm' | 'toMm'>[]): (readonly ProfilePoint[])[] {
  if (strips.length === 0) return [along];
  let parts: [number, number][] = [[along[0]?.heightMm ?? 0, along.at(-1)?.heightMm ?? 0]];
  for (const strip of strips)
    parts = parts.flatMap(([low, high]): [number, number][] => [
      [low, Math.min(high, strip.fromMm)],
      [Math.max(low, strip.toMm), high],
    ]);
  return parts.map(([low, high]) => sheet.between(low, high)).filter((part) => part.length > 1);
}

const thickness = (sheet: Sheet, layers: readonly Layer[]): number => layers.reduce((sum, layer) => sum + widthOf(sheet, layer) + APART, 0);

const widthOf = (sheet: Sheet, layer: Layer): number => Math.max(THINNEST_DRAWN, layer.coatMm * COAT_EXAGGERATION * sheet.fit.scale);
