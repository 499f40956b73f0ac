import { TestBed } from '@angular/core/testing';
import { pieceSchema } from '@cazuela/contract';
import { piece } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { StudioApi } from './studio-api';

describe('a list that was seen before', () => {
  let records: FakeRecords;
  let api: StudioApi;
  const one = piece();
  const seen: string[] = [];
  const read = (): void => {
    seen.length = 0;
    api.pieces().subscribe({
      next: (rows) => seen.push(rows.map((row) => row.body.name).join()),
      error: (failure: Error) => seen.push(failure.message),
      complete: () => seen.push('done'),
    });
  };
  const renamed = { ...one, body: { ...one.body, name: 'Tall mug' } };

  beforeEach(() => {
    records = new FakeRecords();
    records.openStudio();
    api = TestBed.inject(StudioApi);
    api.pieces().subscribe();
    records.answer('/pieces', [one]);
  });

  it('is there at once, and does not come again when nothing changed', () => {
    read();
    expect(seen).toEqual([one.body.name]);
    records.answer('/pieces', [one]);
    expect(seen).toEqual([one.body.name, 'done']);
  });

  it('comes anew when somebody changed it', () => {
    read();
    records.answer('/pieces', [renamed]);
    expect(seen).toEqual([one.body.name, 'Tall mug', 'done']);
  });

  it('a row that did not change stays the same, so that a form on it does', () => {
    const found: unknown[] = [];
    const other = piece();
    records.http.verify();
    api.pieces().subscribe((rows) => found.push(rows[0]));
    records.answer('/pieces', [one, other]);
    expect(found).toHaveLength(2);
    expect(found[1]).toBe(found[0]);
  });

  it('a row that comes again is not checked again: thousands of them cost nothing', () => {
    const check = jest.spyOn(pieceSchema, 'safeParse');
    api.pieces().subscribe();
    records.answer('/pieces', [one, piece()]);
    expect(check).toHaveBeenCalledTimes(1);
    check.mockRestore();
  });

  it('a row that cannot be read is left out each time it comes', () => {
    const broken = { ...piece(), version: 'none' };
    for (let round = 0; round < 2; round++) {
      const rows: unknown[][] = [];
      api.pieces().subscribe((found) => rows.push(found));
      records.answer('/pieces', [broken, one, piece()]);
      expect(rows.at(-1)).toHaveLength(2);
    }
  });

  it('stays to be seen when the server cannot be asked, and says so', () => {
    read();
    records.drop('/pieces');
    expect(seen).toEqual([one.body.name, expect.stringContaining('cannot be reached')]);
    read();
    records.refuse('/pieces', 503, { code: 'databaseAway', detail: 'The records are away.' });
    expect(seen).toEqual([one.body.name, 'The records are away.']);
  });

  it('that cannot be read is told as such', () => {
    read();
    records.answer('/pieces', 'Please sign in');
    expect(seen.at(-1)).toContain('an answer we cannot read');
  });

  it('is asked for once by two who want it at the same moment', () => {
    read();
    api.pieces().subscribe();
    records.answer('/pieces', [renamed]);
    expect(seen.at(-1)).toBe('done');
  });

  it('an answer from before a write serves nobody who asks after it', () => {
    api.pieces().subscribe();
    api.updatePiece(one.id, one.version, renamed.body).subscribe(() => read());
    records.answer(`/pieces/${one.id}`, { ...renamed, version: 2 }, 'PUT');
    const [early, late] = records.http.match((request) => request.url.endsWith('/pieces'));
    early!.flush([one]);
    expect(seen).toEqual([one.body.name]);
    late!.flush([renamed]);
    expect(seen).toEqual([one.body.name, 'Tall mug', 'done']);
  });
});
