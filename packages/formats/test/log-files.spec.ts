import { logFromTable } from '@cazuela/core';
import { logToCsv, readCells } from '../src/index';

describe('logs of firings as files', () => {
  it('what goes out comes in again, reading for reading', () => {
    const readings = { seconds: [0, 30, 60.5], celsius: [21.5, 22, 24.1], setCelsius: [22, null, 25], share: [0.4, 0.5, null] };
    const rows = readCells(logToCsv(readings, '2026-11-14T18:00:00.000Z'));
    expect(rows[1]).toEqual(['2026-11-14T18:00:00.000Z', '0', '21.5', '22', '0.4']);
    const log = logFromTable(rows, { columns: { time: 1 } });
    expect(log.readings).toEqual([
      { seconds: 0, celsius: 21.5, setCelsius: 22, share: 0.4 },
      { seconds: 30, celsius: 22, share: 0.5 },
      { seconds: 60.5, celsius: 24.1, setCelsius: 25 },
    ]);
    expect(logFromTable(rows).startsAt).toBe('2026-11-14T18:00Z');
  });

  it('semicolons and tabs are seen, and lines about the log before its table do not hide them', () => {
    expect(readCells('0:00;20,5\n0:10;31,0')).toEqual([
      ['0:00', '20,5'],
      ['0:10', '31,0'],
    ]);
    expect(readCells('a\tb\n1\t2\n')[1]).toEqual(['1', '2']);
    expect(readCells('\ufefftime,temp\r\n0,20\r\n\r\n')).toEqual([
      ['time', 'temp'],
      ['0', '20'],
    ]);
  });
});
