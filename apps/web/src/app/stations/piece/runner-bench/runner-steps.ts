import type { ClayBody, RunnerTile } from '@cazuela/contract';
import { attempt, lightnessOf, predictSeconds, USUAL_CONE, type BodyFacts, type CoatKnowledge, type GlazeFacts } from '@cazuela/core';
import type { Units } from '../../../data/units/units';
import { markerWords } from '../../../parts/words/marker-words';

/** What the steps of a tile are told from. */
export interface RunnerKnown {
  glazes: readonly GlazeFacts[];
  clay?: { card: ClayBody; facts: BodyFacts } | undefined;
  knowledge: (glaze: GlazeFacts) => CoatKnowledge;
  /** Where it may stand in the next kiln. */
  place?: string | undefined;
}

/** The catch below and the run need so much of a tile under its band. */
const ROOM_MM = 70;
/** The wall of a tile, where its clay does not say. */
const TILE_WALL_MM = 6;
const ONE_FACE = 1;

/** How a tile is made, in order: its form, its code, each dip with its seconds, its line, its place in the kiln, its reading. */
export function runnerSteps({ code, body }: RunnerTile, known: RunnerKnown, units: Pick<Units, 'coat' | 'seconds' | 'sg' | 'length'>): string[] {
  const { clay, glazes, place } = known;
  const high = units.length(body.bandMm + ROOM_MM);
  const of = clay ? ` of ${clay.card.name}` : '';
  const dips = body.layers.map(({ bucketId, glazeName, coatMm }, at) => {
    const glaze = glazes.find((one) => one.bucketId === bucketId);
    const below = body.layers[at - 1];
    const from = glaze?.bucket ? `${glazeName} (${glaze.bucket.code}, SG ${units.sg(glaze.sg)})` : glazeName;
    const seconds = glaze && clay ? secondsOf(glaze, coatMm, below?.coatMm, { facts: clay.facts, knowledge: known.knowledge(glaze) }) : undefined;
    const time = seconds === undefined ? units.coat(coatMm) : `${units.seconds(seconds)} for ${units.coat(coatMm)}`;
    return below
      ? `Once its shine is gone: the same band in ${from}, ${time}.`
      : `Dip its upper ${units.length(body.bandMm)}, the grooves too, in ${from}: ${time}.`;
  });
  return [
    `An upright tile${of}, bisque, ${high} or more: grooves across its upper third, the rest smooth, a hole to hang it by, a foot that catches.`,
    `Its code is ${code}. ${markerWords(clay ? lightnessOf(clay.card.colour) : 1)}`,
    ...dips,
    'Draw a line at the lower edge of the glaze, with a pencil of oxide or a scratch: the run is measured from it.',
    `Fire it standing, on a plate, to cone ${body.wantedCone ?? USUAL_CONE}${place ? `: ${place}` : ''}.`,
  ];
}

/** Seconds for a coat, on bare clay or on the coat below; undefined where no time gives it. */
function secondsOf(
  { sg, density, slurryState }: GlazeFacts,
  coatMm: number,
  underMm: number | undefined,
  { facts, knowledge }: { facts: BodyFacts; knowledge: CoatKnowledge },
): number | undefined {
  const { bisqueCone, earthenware, absorptionPercent } = facts;
  const under = underMm === undefined ? {} : { underMm, underDryness: 1 };
  const situation = {
    sg,
    density,
    state: slurryState,
    bisqueCone,
    earthenware,
    absorptionPercent,
    wallMm: TILE_WALL_MM,
    faces: ONE_FACE,
    ...under,
  } as const;
  const found = attempt(() => predictSeconds({ ...situation, coatMm }, knowledge));
  return found.kind === 'ok' && found.value.kind === 'ok' ? found.value.seconds : undefined;
}
