import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import {
  knowledgeOf,
  learnCoats,
  maximumAPosteriori,
  PRIOR_KNOWLEDGE,
  PRIOR_LN_SD,
  predictCoat,
  type CoatKnowledge,
  type CoatObservation,
} from '../../src/index';

const STEP = 0.05;

/** A studio of many glazes on a few bodies, with repeatable noise. */
function studioOf({ glazes, bodies, dips }: { glazes: number; bodies: number; dips: number }): CoatObservation[] {
  return Array.from({ length: dips }, (_, index): CoatObservation => {
    const [glaze, body] = [index % glazes, (7 * index + Math.floor(index / glazes)) % bodies];
    const situation = {
      sg: 1.42 + 0.002 * (index % 40),
      density: 2.6,
      state: 'normal' as const,
      bisqueCone: '05',
      wallMm: 4 + (index % 4),
      faces: 1 as const,
    };
    const seconds = 1 + (index % 7);
    const { coat } = predictCoat({ ...situation, seconds });
    if (coat.kind !== 'ok') throw new Error(coat.kind);
    const coatMm = coat.coatMm * (1 + 0.08 * Math.sin(index) + 0.2 * Math.sin(glaze));
    return { id: `d${index}`, glazeId: `g${glaze}`, bodyId: `b${body}`, situation, seconds, coatMm, lnSd: 0.08 };
  });
}

/** The same question put as one whole matrix, dip by dip as the practice writes it: the reference. */
function learntWhole(
  observations: readonly CoatObservation[],
): (pair: { glazeId: string; bodyId: string }) => Pick<CoatKnowledge, 'shift' | 'covariance'> {
  const glazes = [...new Set(observations.map((one) => one.glazeId))];
  const bodies = [...new Set(observations.map((one) => one.bodyId))];
  const size = 2 * glazes.length + bodies.length;
  const placesOf = ({ glazeId, bodyId }: { glazeId: string; bodyId: string }): number[] => {
    const glaze = glazes.indexOf(glazeId);
    return [glaze, 2 * glazes.length + bodies.indexOf(bodyId), glazes.length + glaze];
  };
  const lnCoat = ({ situation, seconds }: CoatObservation, shift: readonly number[], longer = 0): number => {
    const known = { ...PRIOR_KNOWLEDGE, shift: shift as unknown as CoatKnowledge['shift'] };
    const { coat } = predictCoat({ ...situation, seconds: Math.max(0, seconds + longer) }, known);
    return coat.kind === 'ok' ? Math.log(coat.coatMm) : NaN;
  };
  const dips = observations.map((one) => {
    const fromSeconds = (lnCoat(one, [0, 0, 0], 0.3) - lnCoat(one, [0, 0, 0], -0.3)) / 2;
    return { one, places: placesOf(one), sd: Math.hypot(one.lnSd, fromSeconds) };
  });
  const missOf = ({ one, places }: (typeof dips)[number], mean: readonly number[]): number =>
    Math.log(one.coatMm) -
    lnCoat(
      one,
      places.map((place) => mean[place]!),
    );
  const { mean, slopes } = maximumAPosteriori({
    size,
    cost: (at) =>
      dips.reduce((sum, dip) => sum + (missOf(dip, at) / dip.sd) ** 2, 0) + at.reduce((sum, value) => sum + (value / PRIOR_LN_SD) ** 2, 0),
    slopesAt: (at) => {
      const information = Matrix.eye(size, size, 1 / PRIOR_LN_SD ** 2);
      const push = at.map((value) => -value / PRIOR_LN_SD ** 2);
      for (const dip of dips) {
        const shift = dip.places.map((place) => at[place]!);
        const moved = (axis: number, by: number): number =>
          lnCoat(
            dip.one,
            shift.map((value, index) => (index === axis ? value + by : value)),
          );
        const slope = [0, 1, 2].map((axis) => (moved(axis, STEP) - moved(axis, -STEP)) / (2 * STEP));
        dip.places.forEach((row, i) => {
          push[row]! += (slope[i]! * missOf(dip, at)) / dip.sd ** 2;
          dip.places.forEach((column, j) => information.set(row, column, information.get(row, column) + (slope[i]! * slope[j]!) / dip.sd ** 2));
        });
      }
      return { information, push };
    },
    stepFrom: ({ information, push }) => new CholeskyDecomposition(information).solve(Matrix.columnVector(push)).to1DArray(),
  });
  const covariance = new CholeskyDecomposition(slopes.information).solve(Matrix.eye(size));
  return (pair) => {
    const places = placesOf(pair);
    return {
      shift: places.map((place) => mean[place]!) as unknown as CoatKnowledge['shift'],
      covariance: places.map((row) => places.map((column) => covariance.get(row, column))),
    };
  };
}

describe('many glazes learnt together', () => {
  it('one by one, joined by their bodies, give the numbers of the whole', () => {
    const observations = studioOf({ glazes: 9, bodies: 4, dips: 80 });
    const [learning, whole] = [learnCoats({ observations }), learntWhole(observations)];
    for (const { glazeId, bodyId } of observations) {
      const [found, expected] = [knowledgeOf(learning, { glazeId, bodyId }), whole({ glazeId, bodyId })];
      found.shift.forEach((value, index) => expect(Math.abs(value - expected.shift[index]!)).toBeLessThan(1e-9));
      found.covariance.flat().forEach((value, index) => expect(Math.abs(value - expected.covariance.flat()[index]!)).toBeLessThan(1e-9));
    }
  });

  it('a studio of a thousand glazes is learnt to the end', () => {
    const learning = learnCoats({ observations: studioOf({ glazes: 1000, bodies: 20, dips: 6000 }) });
    expect(learning.converged).toBe(true);
    expect(learning.fits).toHaveLength(6000);
    expect(knowledgeOf(learning, { glazeId: 'g999', bodyId: 'b3' }).basis).toMatchObject({ kind: 'learnt', glaze: 6 });
  });

  it('what was learnt passes whole from a worker to a page', () => {
    const learning = learnCoats({ observations: studioOf({ glazes: 5, bodies: 2, dips: 12 }) });
    const pair = { glazeId: 'g1', bodyId: 'b0' };
    expect(knowledgeOf(structuredClone(learning), pair)).toEqual(knowledgeOf(learning, pair));
  });
});
