import { READINGS_IN_ONE_SEND, type Kiln } from '@cazuela/contract';
import { firing, id } from '../../../../testing/made-up';
import { FakeRecords } from '../../../../testing/records';
import { Screen } from '../../../../testing/screen';
import { cellsOf, logOf, MOST_LOG_BYTES, readingsToSend } from './log-file';
import { LogFilePage } from './log-file-page';

const KILN: Kiln = {
  id: id(),
  version: 1,
  body: { name: 'Grillo', chamber: { kind: 'round', diameterMm: 360, heightMm: 420 }, shelves: [], postsMm: [], note: '' },
};
/** Minutes and °C: up in ten hours, down by itself. */
const rows = Array.from(
  { length: 1_000 },
  (_, minute) => `${minute},${(minute < 600 ? 20 + 1.98 * minute : 1_208 * Math.exp(-(minute - 600) / 360)).toFixed(1)}`,
);
const FILE = ['Minutes,Temp', ...rows].join('\n');

describe('the log of a file', () => {
  let records: FakeRecords;
  const open = async (firingId?: string): Promise<Screen<LogFilePage>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(LogFilePage, firingId === undefined ? {} : { firing: firingId });
    const known = firing(12);
    records.answer('/firings', [{ ...known, id: firingId ?? known.id }]);
    records.answer('/kilns', [KILN]);
    await screen.settle();
    return screen;
  };
  const give = async (screen: Screen<LogFilePage>, text: string, name = 'log.csv'): Promise<void> => {
    const bytes = new TextEncoder().encode(text);
    const file = new File([bytes], name);
    // jsdom does not read files.
    file.arrayBuffer = () => Promise.resolve(bytes.buffer as ArrayBuffer);
    const box = screen.root.querySelector<HTMLInputElement>('input[type="file"]')!;
    Object.defineProperty(box, 'files', { value: [file], configurable: true });
    box.dispatchEvent(new Event('change'));
    await screen.settle();
    await screen.settle();
  };

  it('is seen as it is understood before anything is kept: readings, hottest, cone', async () => {
    const screen = await open();
    await give(screen, FILE);
    expect(screen.text).toMatch(/1,?000 readings over 16 h 39, hottest 1,208 °C: between cone 5 and 6 by its heat-work/);
    expect(screen.text).toContain('The file does not say when it was: set it.');
    await screen.press('Keep it as a firing');
    const request = records.http.expectOne(({ method }) => method === 'POST');
    const { body, readings } = request.request.body as {
      body: { kiln: string; kilnId: string; wantedCone: string };
      readings: { seconds: number[] };
    };
    expect(body).toMatchObject({ kiln: 'Grillo', kilnId: KILN.id, wantedCone: '5' });
    expect(readings.seconds.slice(0, 3)).toEqual([0, 60, 120]);
    expect(readings.seconds).toHaveLength(1_000);
  });

  it('what was taken for something else is put right', async () => {
    const screen = await open();
    await give(screen, FILE);
    await screen.check('temperatures are °F');
    expect(screen.text).toContain('hottest 653 °C');
    await screen.check('temperatures are °F');
    await screen.choose('Times are in', 'seconds');
    expect(screen.text).toContain('readings over 17 min');
  });

  it('what no kiln gives is left out and told', async () => {
    const screen = await open();
    await give(screen, FILE.replace('\n300,614.0', '\n300,1800').replace('\n400,', '\n30,').replace('\n500,1010.0', '\n500,off'));
    expect(screen.text).toMatch(/5 h 00: 1,800 °C, no kiln gives that/);
    expect(screen.text).toContain('30 min: 812 °C, time goes back');
    expect(screen.text).toContain('Row 502: no time or no temperature');
  });

  it('a file that is none, or far too large, is refused in words', async () => {
    const screen = await open();
    await give(screen, 'what,how much\nfeldspar,a sack');
    expect(screen.text).toContain('Is it the log of a kiln?');
    const big = new File([''], 'all.csv');
    Object.defineProperty(big, 'size', { value: MOST_LOG_BYTES + 1 });
    const box = screen.root.querySelector<HTMLInputElement>('input[type="file"]')!;
    Object.defineProperty(box, 'files', { value: [big], configurable: true });
    box.dispatchEvent(new Event('change'));
    await screen.settle();
    expect(screen.text).toContain('12 MB at most');
  });

  it('goes with a firing that was noted, and says so where that has a log already', async () => {
    const known = id();
    const screen = await open(known);
    await give(screen, FILE);
    expect(screen.text).toContain('It goes with the firing of Abuela');
    await screen.press('Keep it with this firing');
    records.refuse(`/firings/${known}/readings`, 409, { code: 'conflict', detail: 'This firing has a log already.' }, 'POST');
    await screen.settle();
    expect(screen.text).toContain('This firing has a log already.');
  });

  it('of a very long file is thinned to what can be sent, and stays the same curve', () => {
    const long = Array.from({ length: 60_000 }, (_, at) => `${at * 2},${(20 + at / 60 + (at % 2) * 0.1).toFixed(2)}`);
    const log = logOf(cellsOf(new TextEncoder().encode(['Seconds,Temp', ...long].join('\n'))), {});
    if (log.kind !== 'ok') throw log.error;
    expect(log.value.readings).toHaveLength(60_000);
    const sent = readingsToSend(log.value.readings);
    expect(sent.seconds.length).toBeLessThanOrEqual(READINGS_IN_ONE_SEND);
    expect(sent.seconds.at(-1)).toBe(119_998);
    expect(sent.celsius).toHaveLength(sent.seconds.length);
  });
});
