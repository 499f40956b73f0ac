import { TestBed } from '@angular/core/testing';
import type { Day } from '@cazuela/contract';
import type { DayItem } from '@cazuela/core';
import { day, piece } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { DayItems } from './day-items';

describe('putting pieces on the day', () => {
  const there = day(piece());
  const item = day(piece()).items[0]!;
  let records: FakeRecords;
  beforeEach(() => {
    records = new FakeRecords();
    records.openStudio();
  });

  it('adds to what is there', () => {
    TestBed.inject(DayItems).put('2026-03-10', [item]).subscribe();
    records.answer('/days', [there]);
    const request = records.http.expectOne((one) => one.method === 'PUT');
    expect((request.request.body as { items: DayItem[] }).items.map((one) => one.id)).toEqual([there.items[0]!.id, item.id]);
  });

  it('adds again when somebody else was faster, and loses neither', () => {
    let result: Day | undefined;
    TestBed.inject(DayItems)
      .put('2026-03-10', [item])
      .subscribe((made) => (result = made));
    records.answer('/days', [there]);
    records.refuse(`/days/${there.id}`, 409, { code: 'stale', detail: 'Changed.' }, 'PUT');
    records.answer('/days', [{ ...there, version: 2 }]);
    const request = records.http.expectOne((one) => one.method === 'PUT');
    expect(request.request.body).toMatchObject({ version: 2 });
    request.flush({ ...there, version: 3, items: [...there.items, item] });
    expect(result?.version).toBe(3);
  });

  it('another trouble is told', () => {
    const failed = jest.fn();
    TestBed.inject(DayItems).put('2026-03-10', [item]).subscribe({ error: failed });
    records.drop('/days');
    expect(failed).toHaveBeenCalled();
  });

  it('takes off what was put on by mistake, and leaves what somebody put on meanwhile', () => {
    TestBed.inject(DayItems).takeOff('2026-03-10', there.items[0]!.id).subscribe();
    records.answer('/days', [{ ...there, version: 4, items: [...there.items, item] }]);
    const request = records.http.expectOne((one) => one.method === 'PUT');
    expect(request.request.body).toEqual({ version: 4, items: [item] });
  });
});
