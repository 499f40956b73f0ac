import { placeWords, ZONES, type Layer, type PiecePlan, type PieceShape, type Strip, type Texture } from '@cazuela/core';
import { ZONE_WORDS } from '../piece-words';

/** A zone, strip or panel with what lies there. */
export interface PlanPlace {
  id: string;
  words: string;
  layers: readonly Layer[];
  texture?: Texture | undefined;
  strip?: Strip;
}

/** Every place of a plan, in the order in which they are listed. A tile has no inside. */
export const placesOf = ({ zones, strips = [], textures, setting }: PiecePlan, shape: PieceShape): PlanPlace[] => [
  ...ZONES.filter((zone) => zone !== 'inside' || shape.slabMm === undefined).map((zone) => ({
    id: zone,
    words: zone === 'foot' && setting === 'onRim' ? 'Knob' : ZONE_WORDS[zone],
    layers: zones[zone],
    texture: zone === 'foot' ? undefined : textures?.[zone],
  })),
  ...strips.map((strip, at) => ({
    id: strip.id,
    words:
      strip.on === 'handle'
        ? shape.grip?.kind === 'lugs'
          ? 'Lugs'
          : 'Handle'
        : `${strip.fromRim ? 'Dip' : strip.turn ? 'Panel' : 'Strip'} ${at + 1}`,
    layers: strip.layers,
    texture: strip.texture,
    strip,
  })),
];

/** A place in a sentence: "outside", "rim", "strip 1". */
export const whereWords = ({ id, words, strip }: PlanPlace, plan: PiecePlan): string =>
  strip ? words.toLowerCase() : id === 'inside' ? 'inside' : placeWords(id, plan).slice(4);
