import { NO_PLANNING, type DayPlanning } from '@cazuela/core';
import { keptSchema, mergedPlanning } from './planning-change';

const person = (name: string): DayPlanning['people'][number] => ({ name, fromTime: '09:00', untilTime: '17:00', breaks: [], doesNotDo: [] });
const pin = { stepId: '0198c0de-0000-7000-8000-000000000001', person: 'Maia' };

describe('planning that was changed here while the records could not be reached', () => {
  it('is put on what others made of it meanwhile', () => {
    const mine = { ...NO_PLANNING, people: [person('Maia')] };
    const theirs = { ...NO_PLANNING, pins: [pin], deadlineAt: '2026-03-10T18:00:00.000Z' };
    expect(mergedPlanning(NO_PLANNING, mine, theirs)).toEqual({ ...theirs, people: mine.people });
  });

  it('takes away what was taken away here', () => {
    const base = { ...NO_PLANNING, deadlineAt: '2026-03-10T18:00:00.000Z', deadlineWords: 'the fair' };
    expect(mergedPlanning(base, NO_PLANNING, { ...base, pins: [pin] })).toEqual({ ...NO_PLANNING, pins: [pin] });
  });

  it('that is kept on the device and cannot be read is none', () => {
    expect(keptSchema.safeParse({ change: { date: 'soon' } }).success).toBe(false);
    expect(keptSchema.safeParse({ change: null }).success).toBe(true);
  });
});
