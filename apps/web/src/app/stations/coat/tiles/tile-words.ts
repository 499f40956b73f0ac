import type { StepTilePlan, StepTileStrip, TileMethod } from '@cazuela/core';
import type { Units } from '../../../data/units/units';

/** The dips in words, in order. */
export function tileSteps(plan: StepTilePlan, method: TileMethod, units: Units): string[] {
  const strips = plan.strips.filter((strip) => strip.seconds.kind === 'ok');
  const mm = (value: number): string => `${value.toFixed(0)} mm`;
  const seconds = (strip: StepTileStrip): string => (strip.seconds.kind === 'ok' ? units.seconds(strip.seconds.seconds) : '');
  if (strips.length === 0) return [];
  const lines = strips.map((strip) => mm(strip.depthMm)).join(', ');
  const mark = `Mark ${lines} from the lower end with a pencil; the top stays bare to hold it.`;
  if (method === 'inOneGo') {
    return [
      mark,
      `Stir, then put it under to the ${mm(strips[0]!.depthMm)} line and count.`,
      ...strips.map((strip, index) => {
        const next = strips[index + 1];
        return next
          ? `At ${seconds(strip)} draw it out to the ${mm(next.depthMm)} line: ${units.coat(strip.coatMm!)} above it.`
          : `At ${seconds(strip)} draw it out altogether: ${units.coat(strip.coatMm!)} at the foot.`;
      }),
    ];
  }
  return [
    mark,
    ...strips.map(
      (strip, index) =>
        `${index === 0 ? 'Dip' : 'When it is handle-dry, 20 min, dip'} to the ${mm(strip.depthMm)} line for ${seconds(strip)}: ${units.coat(strip.coatMm!)} in all below it.`,
    ),
  ];
}

/** Why a strip cannot be made, and what would help. */
export function stripProblem(strip: StepTileStrip, units: Units): string | undefined {
  const wanted = units.coat(strip.wantedMm);
  switch (strip.seconds.kind) {
    case 'ok':
      return undefined;
    case 'filmAlreadyExceeds':
      return `${wanted}: what clings is already ${units.coat(strip.seconds.filmCoatMm)}. Thin some of it in a cup for that strip, or brush it.`;
    case 'noSuction':
      return `${wanted}: this wall drinks nothing, only ${units.coat(strip.seconds.filmCoatMm)} stays.`;
    case 'wallSaturated':
      return `${wanted}: the tile is full at ${units.coat(strip.seconds.mostMm)}. Take a thicker tile, or dip over dip on another day.`;
    case 'tooSlow':
      return `${wanted}: longer than a minute in the glaze. Take a thicker bucket.`;
    case 'tooThickToDip':
      return `${wanted}: the bucket is too thick to dip in. Thin it first.`;
  }
}
