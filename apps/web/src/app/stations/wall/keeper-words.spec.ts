import { sinceWords } from './keeper-words';

const units = {
  sg: (value: number) => value.toFixed(2),
  coat: (mm: number) => `${mm.toFixed(2)} mm`,
  seconds: (value: number) => `${value.toFixed(1)} s`,
};
const words = (since: Parameters<typeof sinceWords>[0]) => sinceWords(since, units);

describe('what has changed since a keeper was glazed, in words', () => {
  it('another version tells how far it runs, and never promises', () => {
    expect(words({ kind: 'recipe', name: 'Ceniza', from: 2, to: 3, flowRatio: 1.42 })).toEqual({
      tone: 'stop',
      words: 'Ceniza was version 2, its bucket holds version 3: by its chemistry it runs about 1.4 times as far, a guess. Fire a tile first.',
    });
    expect(words({ kind: 'recipe', name: 'Ceniza', from: 2, to: 3, flowRatio: 1.02 }).words).toContain('runs as far');
    expect(words({ kind: 'recipe', name: 'Ceniza', from: 2, to: 3 }).words).toContain('may run, feel and look otherwise');
  });

  it('another SG tells the coat of the same seconds, and the seconds of the same coat', () => {
    expect(words({ kind: 'sg', name: 'Ceniza', from: 1.45, to: 1.5, coatMm: { from: 0.6, to: 0.75 }, seconds: 1.6 }).words).toBe(
      'Ceniza was at SG 1.45, it is at 1.50 now: the same seconds make 0.75 mm in place of 0.60 mm; 1.6 s make it 0.60 mm again.',
    );
    expect(words({ kind: 'sg', name: 'Ceniza', from: 1.45, to: 1.456, coatMm: { from: 0.6, to: 0.61 } }).words).toContain('the same coat');
  });

  it('what is missing stops; another bucket of the same is only told', () => {
    expect(words({ kind: 'noBucket', name: 'Ceniza', recipeVersion: 2 })).toMatchObject({
      tone: 'stop',
      words: expect.stringContaining('mix it first'),
    });
    expect(words({ kind: 'otherBucket', name: 'Ceniza', bucketId: 'B2' }).tone).toBe('quiet');
    expect(words({ kind: 'shelfCone', from: '6', to: '7' }).words).toContain('cone 7 last');
    expect(words({ kind: 'powderLot', name: 'Ceniza', powder: 'Silica', lot: 'K7' }).words).toContain('lot K7');
  });
});
