import type { BucketContents } from '../bucket/events/bucket-contents';
import type { BucketShape } from '../geometry/bucket-shape';
import { rangeVerdict } from '../bucket/sg/in-range';
import { weighedParts } from '../bucket/events/weighed-parts';
import { flowFromWord, flowGuess, type FlowGuess, type MovementWord } from '../chemistry/flow-guess';
import { glassExpansion } from '../chemistry/expansion';
import { oxideGrams, unityFormula, type Unity } from '../chemistry/oxides';
import { powderShares } from '../powder/behaviour';
import { STATE_GUESSES } from '../coat/prediction/state-guesses';
import type { Powder } from '../powder/powder';
import type { GlazeFacts } from '../plan/facts';

export interface GlazeSource {
  bucketId: string;
  name: string;
  colour: string;
  surface: string;
  movement: MovementWord | 'unknown';
  foodTested: boolean;
  coneLow?: string | undefined;
  coneHigh?: string | undefined;
  contents: BucketContents;
  /** Its bucket, where it stands in one. */
  bucket?: { code: string; lowSg: number; highSg: number; shape?: BucketShape | undefined } | undefined;
  powders: readonly Powder[];
}

/** Flow of a glaze whose powders have no analysis: the middle of all, with the widest spread. */
const UNKNOWN_FLOW: FlowGuess = { flow: 60, lnSd: 1.3, basis: 'startingGuess' };

/**
 * Returns what ordering, running and food warnings need to know of a glaze, from what is in its bucket.
 *
 * @param source - the bucket, its recipe's own words, and the powders of the studio
 * @example
 * attempt(() => glazeFacts({ bucketId: 'b', name: 'Ash', colour: '#FFFFFF', surface: 'gloss', movement: 'runs', foodTested: false, contents: { parts: [], sg: 1.45, density: 2.6 }, powders: [] }).flow.flow > 0)
 * // { kind: 'ok', value: true }
 */
export function glazeFacts(source: GlazeSource): GlazeFacts {
  const { contents, powders, movement, bucket } = source;
  const verdict = bucket && rangeVerdict({ sg: contents.sg, sgSd: contents.sgSd, lowSg: bucket.lowSg, highSg: bucket.highSg });
  const isOut = verdict === 'tooThick' || verdict === 'tooThin';
  const parts = weighedParts({ parts: contents.parts, powders });
  const shares = parts.length > 0 ? powderShares({ parts }) : { shrinkShare: 15, loiPercent: 8 };
  const oxides = oxideGrams({ parts });
  const firedGrams = Object.values(oxides).reduce((sum, grams) => sum + grams, 0);
  const formula = unityFormula({ oxideGrams: oxides });
  const unity = formula.kind === 'ok' ? formula.unity : {};
  const firedPercent = Object.fromEntries(Object.entries(oxides).map(([oxide, grams]) => [oxide, firedGrams > 0 ? (100 * grams) / firedGrams : 0]));
  const colouringPercent = ['Fe2O3', 'TiO2', 'P2O5', 'SnO2', 'ZrO2'].reduce((sum, oxide) => sum + (firedPercent[oxide] ?? 0), 0);
  const guess = formula.kind === 'ok' ? flowGuess({ unity, colouringPercent }) : UNKNOWN_FLOW;
  return {
    bucketId: source.bucketId,
    name: source.name,
    lightness: lightnessOf(source.colour),
    sg: isOut ? (bucket!.lowSg + bucket!.highSg) / 2 : contents.sg,
    ...(bucket ? { bucket: { ...bucket, sg: contents.sg, volumeMl: contents.volumeMl, isOut } } : {}),
    density: contents.density,
    ...STATE_GUESSES[contents.slurryState],
    slurryState: contents.slurryState,
    shrinkShare: shares.shrinkShare,
    loiPercent: shares.loiPercent,
    flow: movement === 'unknown' ? guess : flowFromWord({ word: movement }),
    surface: source.surface,
    foodTested: source.foodTested,
    ...(contents.contaminated ? { contaminated: contents.contaminated } : {}),
    ...(source.coneLow === undefined ? {} : { coneLow: source.coneLow }),
    ...(source.coneHigh === undefined ? {} : { coneHigh: source.coneHigh }),
    ...expansionOf(source, unity),
    firedPercent,
    unity,
  };
}

/** Only of a glass whose powders are all known. */
function expansionOf({ contents, powders }: GlazeSource, unity: Unity): Pick<GlazeFacts, 'expansion'> {
  const analysed = new Set(powders.filter(({ oxides }) => Object.keys(oxides).length > 0).map(({ id }) => id));
  if (contents.parts.some(({ powderId, grams }) => grams > 0 && !analysed.has(powderId))) return {};
  const glass = glassExpansion({ moles: unity });
  return glass && !glass.isOutside ? { expansion: glass.expansion } : {};
}

/**
 * Returns the lightness of a colour, 0 black – 1 white, as the eye weighs red, green and blue (Rec. 709).
 *
 * @param colour - like #7FA08C
 * @example
 * lightnessOf('#FFFFFF') // 1
 */
export function lightnessOf(colour: string): number {
  const match = /^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(colour);
  if (!match) return 0.5;
  const [red, green, blue] = match.slice(1).map((pair) => parseInt(pair, 16) / 255) as [number, number, number];
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}
