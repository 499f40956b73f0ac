import type { BisqueLot, ClayBody } from '@cazuela/contract';
import { attempt, readThirstTest, wallSuctionGuess, type WallObservation } from '@cazuela/core';

/** What a dip needs to know of the wall: the lot's own figures before those of the body's card. */
export interface Bisque {
  lot?: BisqueLot;
  bisqueCone: string;
  earthenware: boolean;
  absorptionPercent?: number;
  wallMm?: number;
}

/** Two lots of one body at the same cone are not quite alike: sd of ln J between them. */
const BETWEEN_LOTS_LN_SD = 0.15;

/** The newest lot unless another is asked for; the body's card alone where there is none. */
export function bisqueOf(body: ClayBody, lotId?: string): Bisque {
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

/** What thirst tests in water say of each body's wall, against the guess from the cone of the lot that was tested. */
export function wallsOf(bodies: readonly ClayBody[]): WallObservation[] {
  return bodies.flatMap((body) =>
    (body.lots ?? []).flatMap(({ thirst, bisqueCone }): WallObservation[] => {
      const read = thirst && attempt(() => readThirstTest(thirst));
      if (read?.kind !== 'ok') return [];
      const lnWall = Math.log(read.value.wallSuction / wallSuctionGuess({ bisqueCone }));
      return [{ bodyId: body.id, lnWall, lnSd: Math.hypot(read.value.lnSd, BETWEEN_LOTS_LN_SD) }];
    }),
  );
}
