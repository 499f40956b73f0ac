import { firing, id, piece, result } from '../../../testing/made-up';
import { findOnWall, monthOf, type WallFacts, type WallSearch } from './wall-search';

const cup = piece();
const of = firing(60);
const NOTHING: WallSearch = { words: '', stars: 0, fault: '', bodyId: '', surface: '', month: '', like: undefined };
const [red, green] = [id(), id()];
const facts: WallFacts = {
  pieces: new Map([[cup.id, cup]]),
  surfaces: new Map(),
  colours: new Map([
    [
      red,
      {
        id: red,
        gains: null,
        colours: [
          { oklab: [0.5, 0.12, 0.06], share: 0.7 },
          { oklab: [0.9, 0, 0], share: 0.05 },
        ],
      },
    ],
    [green, { id: green, gains: null, colours: [{ oklab: [0.5, -0.1, 0.05], share: 0.9 }] }],
  ]),
};
const redPot = result(cup, of, { stars: 5, faults: [], note: 'like rust', photoId: red });
const greenPot = result(cup, of, { stars: 2, faults: [{ fault: 'crawled', where: 'rim' }], photoId: green });
const withoutPhoto = result(cup, of, { stars: 3, faults: [] });
const all = [greenPot, withoutPhoto, redPot];
const found = (search: Partial<WallSearch>) => findOnWall(all, { ...NOTHING, ...search }, facts).map(({ result: one }) => one.id);

describe('the search of the wall', () => {
  it('by colour tells the nearest first, and leaves out what has another colour or no photo', () => {
    expect(found({ like: [0.5, 0.11, 0.06] })).toEqual([redPot.id]);
    const [near] = findOnWall(all, { ...NOTHING, like: [0.5, 0.11, 0.06] }, facts);
    expect(near!.difference).toBeCloseTo(1, 5);
  });

  it('a colour that covers hardly any of a photo is no colour of the piece', () => {
    expect(found({ like: [0.9, 0, 0] })).toEqual([]);
  });

  it('by stars, fault, words, clay and month together', () => {
    expect(found({ stars: 3 })).toEqual([withoutPhoto.id, redPot.id]);
    expect(found({ fault: 'crawled' })).toEqual([greenPot.id]);
    expect(found({ words: ' RUST ' })).toEqual([redPot.id]);
    expect(found({ bodyId: cup.body.bodyId })).toHaveLength(3);
    expect(found({ bodyId: id() })).toEqual([]);
    expect(found({ month: monthOf(redPot.firedAt), stars: 5 })).toEqual([redPot.id]);
    expect(found({ month: '1999-01' })).toEqual([]);
  });

  it('without anything all are told, in their order', () => {
    expect(found({})).toEqual(all.map((one) => one.id));
  });
});
