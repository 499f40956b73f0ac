import { replayBatch, type BatchEvent } from '../../src/index';

const PLAN = {
  lines: [{ lineId: 'a', powderId: 's', name: 'Silica', part: 'base' as const, density: 2.65, targetGrams: 100, hazards: [] }],
  waterGrams: 100,
};
const head = { at: '2026-03-01T09:00:00.000Z', by: 'Inés' };
const weighed = (practice: { practice?: true }): BatchEvent => ({ ...head, id: 'w', type: 'lineWeighed', lineId: 'a', grams: 100, ...practice });

describe('a batch on the practice scale', () => {
  it('is practice as soon as one weight is, and no longer when that is taken back', () => {
    expect(replayBatch({ plan: PLAN, events: [weighed({})] }).practice).toBe(false);
    expect(replayBatch({ plan: PLAN, events: [weighed({ practice: true })] }).practice).toBe(true);
    const load: BatchEvent = { ...head, id: 'l', type: 'loadWeighed', lineId: 'a', load: 1, grams: 50, practice: true };
    expect(replayBatch({ plan: PLAN, events: [load] }).practice).toBe(true);
    const back: BatchEvent = { ...head, id: 'u', type: 'undone', eventId: 'w' };
    expect(replayBatch({ plan: PLAN, events: [weighed({ practice: true }), back] }).practice).toBe(false);
  });
});
