import { attempt } from '../checks/potter-error';
import { wallSuctionGuess } from '../coat/prediction/suction';
import type { WallObservation } from './coat-evidence';
import { readThirstTest, type ThirstTest } from './thirst-test';

/** One bisque firing of a clay body, as far as a coat depends on it. */
export interface LotFacts {
  id: string;
  bisqueCone: string;
  absorptionPercent?: number | undefined;
  wallMm?: number | undefined;
  thirst?: ThirstTest | undefined;
}

/** The card of a clay body, as far as a coat depends on it. Lots are listed oldest first. */
export interface ClayCard<Lot extends LotFacts = LotFacts> {
  bisqueCone: string;
  earthenware: boolean;
  absorptionPercent?: number | undefined;
  wallMm?: number | undefined;
  lots?: readonly Lot[] | undefined;
}

/** What a dip needs to know of a wall. */
export interface Bisque<Lot extends LotFacts = LotFacts> {
  lot?: Lot;
  bisqueCone: string;
  earthenware: boolean;
  /** Water the wall takes up, percent of its dry weight. */
  absorptionPercent?: number;
  wallMm?: number;
}

/** Standard deviation of ln J_wall between two lots of one body at the same cone: a starting guess. */
const BETWEEN_LOTS_LN_SD = 0.15;

/**
 * Returns the figures of one bisque lot: its own where they are known, else those of the body's card. A thirst test counts before a typed
 * absorption.
 *
 * @param body - the card of the clay body
 * @param lotId - the lot; the newest one where it is left out or not there
 * @example
 * bisqueOf({ bisqueCone: '05', earthenware: false, wallMm: 6, lots: [{ id: 'a', bisqueCone: '04' }] })
 * // { bisqueCone: '04', earthenware: false, wallMm: 6 }
 */
export function bisqueOf<Lot extends LotFacts>(body: ClayCard<Lot>, lotId?: string): Bisque<Lot> {
  const lots = body.lots ?? [];
  const lot = lots.find((one) => one.id === lotId) ?? lots.at(-1);
  const soaked = lot?.thirst && attempt(() => readThirstTest(lot.thirst!));
  const absorptionPercent = (soaked?.kind === 'ok' ? soaked.value.absorptionPercent : lot?.absorptionPercent) ?? body.absorptionPercent;
  const wallMm = lot?.wallMm ?? body.wallMm;
  return {
    ...(lot ? { lot } : {}),
    bisqueCone: lot?.bisqueCone ?? body.bisqueCone,
    earthenware: body.earthenware,
    ...(absorptionPercent === undefined ? {} : { absorptionPercent }),
    ...(wallMm === undefined ? {} : { wallMm }),
  };
}

/**
 * Returns what thirst tests in water say of each body's wall: ln J_wall against the guess from the bisque cone. A test that cannot be read is
 * left out.
 *
 * @param bodies - the clay bodies of the studio
 * @example
 * wallObservations([{ id: 'clay', bisqueCone: '05', earthenware: false }]) // []
 */
export function wallObservations(bodies: readonly (ClayCard & { id: string })[]): WallObservation[] {
  return bodies.flatMap((body) =>
    (body.lots ?? []).flatMap(({ thirst, bisqueCone }): WallObservation[] => {
      const read = thirst && attempt(() => readThirstTest(thirst));
      if (read?.kind !== 'ok') return [];
      const lnWall = Math.log(read.value.wallSuction / wallSuctionGuess({ bisqueCone }));
      return [{ bodyId: body.id, lnWall, lnSd: Math.hypot(read.value.lnSd, BETWEEN_LOTS_LN_SD) }];
    }),
  );
}
