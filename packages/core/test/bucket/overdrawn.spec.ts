import { overdrawnGrams, replayBucket, type BucketEvent, type BucketPart } from '../../src/index';

const at = (minute: number): string => `2026-03-10T10:${String(minute).padStart(2, '0')}:00.000Z`;
const silica = (grams: number): BucketPart[] => [{ powderId: 'p', name: 'Silica', part: 'base', grams, density: 2.65 }];
const head = (minute: number) => ({ id: `e${minute}`, at: at(minute), by: 'Inés' });
const filled = (minute: number, grams: number): BucketEvent => ({
  ...head(minute),
  type: 'filled',
  parts: silica(grams),
  waterGrams: grams,
  from: 'split',
});
const poured = (minute: number, grams: number): BucketEvent => ({
  ...head(minute),
  type: 'glazeTaken',
  millilitres: grams,
  reason: 'other',
  toId: 'b',
  parts: silica(grams),
  waterGrams: grams,
});
const undone = (minute: number, of: number): BucketEvent => ({ ...head(minute), type: 'undone', eventId: `e${of}` });

describe('glaze that was poured on', () => {
  const story = [filled(1, 100), poured(2, 40), filled(3, 100)];

  it('is nothing beyond what was there while the steps fit together', () => {
    expect(overdrawnGrams({ events: story })).toBe(0);
    expect(overdrawnGrams({ events: [] })).toBe(0);
  });

  it('is beyond it when its filling is taken back, though enough came later: powder and water alike', () => {
    const back = [...story, undone(4, 1)];
    expect(overdrawnGrams({ events: back })).toBeCloseTo(80, 9);
    // What the shelf would show then: 40 g of powder too much.
    const replay = replayBucket({ events: back });
    expect(replay.kind === 'ok' && replay.contents.dryGrams).toBe(100);
  });

  it('is not touched by dips, which take what is there', () => {
    const dips: BucketEvent = { ...head(5), type: 'glazeTaken', millilitres: 5000, reason: 'dips' };
    expect(overdrawnGrams({ events: [...story, dips] })).toBe(0);
  });
});
