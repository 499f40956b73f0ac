import { heightAlong, placeEdges, quickRun, shapeOf, startForPlaceEdge, withEdgeStart, type PiecePlan } from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const GLAZES = [
  glazeOf('clear', { flow: { flow: 20, lnSd: 0.5, basis: 'pottersWord' } }),
  glazeOf('ash', { flow: { flow: 250, lnSd: 0.5, basis: 'pottersWord' } }),
];
const plan: PiecePlan = planOf(
  { outside: [coat('clear', 0.4)], rim: [coat('ash', 0.4)] },
  { shapeId: 'vase', rimBandMm: 40, strips: [{ id: 'band', fromMm: 90, toMm: 120, layers: [coat('ash', 0.3)] }] },
);
const shape = shapeOf(plan);
const edge = (placeId: string) => placeEdges({ plan, shape }).find((one) => one.placeId === placeId)!;
/** Where a coat's own edge ends in the middle case, mm above the shelf. */
function endOf(change: Partial<PiecePlan>, layerId: string): number {
  const quick = quickRun({ plan: { ...plan, ...change }, shape, glazes: GLAZES, side: 'outside' })!;
  const at = quick.side.layers.findIndex(({ layer }) => layer.id === layerId);
  return heightAlong(quick.side.strip, quick.middle.layerFrontMm[at]!);
}

describe('an edge that is wanted somewhere', () => {
  it('may be that of the outside, the rim band or any strip', () => {
    expect(placeEdges({ plan, shape }).map(({ placeId, startMm }) => [placeId, startMm])).toEqual([
      ['outside', 10],
      ['rim', 170],
      ['band', 90],
    ]);
    expect(placeEdges({ plan: { ...plan, setting: 'upsideDown' }, shape })).toEqual([]);
  });

  it.each([
    ['rim', 140],
    ['band', 60],
  ])('the %s starts so much higher that it ends at %d mm', (placeId, wantedMm) => {
    const startMm = startForPlaceEdge({ plan, shape, glazes: GLAZES, edge: edge(placeId), wantedMm })!;
    expect(startMm).toBeGreaterThan(wantedMm);
    const change = withEdgeStart(plan, { placeId, startMm, shape })!;
    expect(Math.abs(endOf(change, edge(placeId).layerId) - wantedMm)).toBeLessThan(3);
  });

  it('where its place has no room for that, no height is made up', () => {
    expect(startForPlaceEdge({ plan, shape, glazes: GLAZES, edge: edge('band'), wantedMm: 118 })).toBeUndefined();
    expect(withEdgeStart(plan, { placeId: 'rim', startMm: 400, shape })).toBeUndefined();
    expect(withEdgeStart(plan, { placeId: 'gone', startMm: 40, shape })).toBeUndefined();
  });
});
