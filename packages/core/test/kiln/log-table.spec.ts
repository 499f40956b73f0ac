import fc from 'fast-check';
import { logFromTable } from '../../src/index';

const table = (text: string, separator = ','): string[][] => text.split('\n').map((line) => line.split(separator));

describe('a log from a file of any kiln', () => {
  it('with a heading, minutes and °F', () => {
    const log = logFromTable(table('Minutes,Temp °F,Set °F\n0,68,68\n60,212,210\n120,392,390'));
    expect(log.readings.map(({ seconds, celsius }) => [seconds, Math.round(celsius)])).toEqual([
      [0, 20],
      [3_600, 100],
      [7_200, 200],
    ]);
    expect(log).toMatchObject({ isFahrenheit: true, timeUnit: 'minutes', columns: { time: 0, celsius: 1, setCelsius: 2 } });
  });

  it('with a date and a clock in two columns, day before month', () => {
    const log = logFromTable(table('Datum;Zeit;Ist;Soll;%\n13.11.2026;22:00;25,5;30;100\n14.11.2026;00:00;180,0;190;80', ';'));
    expect(log.readings).toEqual([
      { seconds: 0, celsius: 25.5, setCelsius: 30, share: 1 },
      { seconds: 7_200, celsius: 180, setCelsius: 190, share: 0.8 },
    ]);
    expect(log.startsAt).toBe('2026-11-13T22:00');
  });

  it('with an American date and an afternoon', () => {
    const log = logFromTable(table('time,tc1\n11/28/2026 1:30 PM,70\n11/28/2026 3:30 PM,300'));
    expect(log.startsAt).toBe('2026-11-28T13:30');
    expect(log.readings[1]!.seconds).toBe(7_200);
  });

  it('without a heading, hours and minutes that go round at midnight', () => {
    const log = logFromTable(table('22:30,20\n23:30,80\n0:30,160'));
    expect(log.readings.map(({ seconds }) => seconds)).toEqual([0, 3_600, 7_200]);
    expect(log.names).toEqual(['column 1', 'column 2']);
  });

  it('newest line first, seconds since 1970', () => {
    const log = logFromTable(table('timestamp,pv\n1764576000,300\n1764572400,200\n1764568800,100'));
    expect(log.readings.map(({ celsius }) => celsius)).toEqual([100, 200, 300]);
    expect(log.timeUnit).toBe('clock');
  });

  it('plain numbers are taken in the unit by which a firing takes as long as firings take', () => {
    const ofTimes = (...times: number[]) => logFromTable(times.map((time, at) => [String(time), String(20 + at * 300)])).timeUnit;
    expect(ofTimes(0, 3.5, 7.2, 11)).toBe('hours');
    expect(ofTimes(0, 200, 400, 660)).toBe('minutes');
    expect(ofTimes(0, 12_000, 24_000, 39_600)).toBe('seconds');
  });

  it('a spike of 1,800 °C makes no °F of it, and is left out; rows that cannot be read are named', () => {
    const rows = Array.from({ length: 60 }, (_, at) => [String(at * 10), String(20 + at * 20)]);
    rows[30]![1] = '1800';
    rows[40]![1] = 'open';
    const log = logFromTable([['min', 'kiln'], ...rows]);
    expect(log.isFahrenheit).toBe(false);
    expect(log.dropped).toMatchObject([{ why: 'impossible', reading: { celsius: 1_800 } }]);
    expect(log.unreadRows).toEqual([42]);
    expect(log.readings).toHaveLength(58);
  });

  it('lines about the log before its table are passed over', () => {
    const log = logFromTable(table('Kiln in the hall\nfirmware 2\n\ntime,temp\n0:00,20\n1:00,x\n2:00,200\n3:00,300\n4:00,400\n5:00,500'));
    expect(log.readings.map(({ seconds }) => seconds / 3_600)).toEqual([0, 2, 3, 4, 5]);
    expect(log.unreadRows).toEqual([6]);
  });

  it('what the potter says goes before the guess', () => {
    const rows = table('a,b,c\n0,20,500\n1,40,600\n2,60,700');
    expect(logFromTable(rows).columns.celsius).toBe(2);
    const log = logFromTable(rows, { columns: { celsius: 1 }, timeUnit: 'minutes', isFahrenheit: true });
    expect(log.readings[2]).toEqual({ seconds: 120, celsius: (60 - 32) / 1.8 });
  });

  it('numbers that are no time of any calendar say no start, and break nothing', () => {
    const log = logFromTable(table('timestamp,pv\n100000000000000000000,20\n100000000000000000000000,30'));
    expect(log).not.toHaveProperty('startsAt');
  });

  it('a file that is no log is refused in a potter’s words', () => {
    expect(() => logFromTable(table('name,note\nmug,blue'))).toThrow('Is it the log of a kiln?');
    expect(() => logFromTable([])).toThrow('Is it the log of a kiln?');
    expect(() => logFromTable(table('min,temp\n0,20'))).toThrow();
  });

  it('whatever the file holds: readings in order, or a refusal', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.oneof(fc.string({ maxLength: 12 }), fc.integer().map(String)), { maxLength: 4 }), { maxLength: 30 }),
        (rows) => {
          try {
            const { readings } = logFromTable(rows);
            expect(readings.every(({ seconds, celsius }, at) => Number.isFinite(celsius) && (at === 0 || seconds > readings[at - 1]!.seconds))).toBe(
              true,
            );
          } catch (error) {
            expect((error as Error).name).toBe('PotterError');
          }
        },
      ),
      { numRuns: 200 },
    );
  });
});
