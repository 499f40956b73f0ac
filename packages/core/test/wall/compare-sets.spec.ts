import { compareSets, type ComparedPiece } from '../../src/index';

const fired = (id: string, change: Partial<ComparedPiece> = {}): ComparedPiece => ({
  id,
  combinations: ['white/ash'],
  bodyId: 'claro',
  cone: '6',
  ...change,
});
const setsOf = (piece: ComparedPiece, ...others: ComparedPiece[]) => compareSets(piece, others, Number);

describe('ready sets to compare', () => {
  it('thin to thick: all else alike, one of each coat, in order', () => {
    const sets = setsOf(
      fired('a', { coatMm: 0.6 }),
      fired('b', { coatMm: 0.9 }),
      fired('same', { coatMm: 0.92 }),
      fired('c', { coatMm: 0.3 }),
      fired('other clay', { coatMm: 1.2, bodyId: 'tostado' }),
    );
    expect(sets.find(({ by }) => by === 'coat')!.ids).toEqual(['c', 'a', 'b']);
  });

  it('cone to cone, and body to body', () => {
    const sets = setsOf(
      fired('a'),
      fired('hot', { cone: '8' }),
      fired('cool', { cone: '5' }),
      fired('dark', { bodyId: 'tostado' }),
      fired('older dark', { bodyId: 'tostado' }),
    );
    expect(sets).toEqual([
      { by: 'cone', ids: ['cool', 'a', 'hot'] },
      { by: 'body', ids: ['a', 'dark'] },
    ]);
  });

  it('other glazes, or the same pair the other way round, are another thing', () => {
    expect(
      setsOf(fired('a'), fired('b', { cone: '5', combinations: ['ash/white'] }), fired('c', { cone: '5', combinations: ['white/ash', '/blue'] })),
    ).toEqual([]);
  });

  it('a coat that nobody knows is in no row of coats; six at most', () => {
    expect(setsOf(fired('a'), fired('b', { coatMm: 0.4 })).some(({ by }) => by === 'coat')).toBe(false);
    const many = Array.from({ length: 12 }, (_, at) => fired(`p${at}`, { coatMm: 0.2 + 0.1 * at }));
    expect(compareSets(fired('a', { coatMm: 0.1 }), many, Number).find(({ by }) => by === 'coat')!.ids).toHaveLength(6);
  });
});
