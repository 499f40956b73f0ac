import { planToFile } from '@cazuela/formats';
import type { Piece, PieceBody } from '@cazuela/contract';
import { bucket, CLAY, id, piece, summaryOf } from '../../../../testing/made-up';
import { FakeRecords } from '../../../../testing/records';
import { Screen } from '../../../../testing/screen';
import { PlanImport } from './plan-import';

const WHITE = bucket();
const BLUE = bucket({ code: 'B2', body: { ...bucket().body, name: 'Noche Honda' } });
const [REF, OTHER] = [id(), id()];
const coat = (bucketId: string) => ({ id: id(), bucketId, method: 'dip' as const, coatMm: 0.4 });
const file = (): string =>
  JSON.stringify(
    planToFile({
      body: piece({ zones: { inside: [coat(REF)], outside: [coat(OTHER)], rim: [], foot: [] } }).body,
      clay: 'barro claro ',
      glazes: [
        { ref: REF, name: 'leche de higo', colour: '#ffffff' },
        { ref: OTHER, name: 'Somebody’s blue', colour: '#0000ff' },
      ],
      studio: 'Another studio',
      now: '2026-03-01T10:00:00.000Z',
    }),
  );

describe('a plan taken in', () => {
  let records: FakeRecords;
  let taken: Piece[];
  const open = async (text: string): Promise<Screen<PlanImport>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(PlanImport, { buckets: [summaryOf(WHITE), summaryOf(BLUE)], bodies: [CLAY] });
    taken = [];
    screen.fixture.componentInstance.taken.subscribe((one) => taken.push(one));
    const field = screen.field('Take in a plan’s file');
    Object.defineProperty(field, 'files', { value: [{ size: text.length, text: () => Promise.resolve(text) }] });
    Object.defineProperty(field, 'value', { value: 'plan.json', writable: true });
    field.dispatchEvent(new Event('change', { bubbles: true }));
    await new Promise((resolve) => setTimeout(resolve));
    await screen.settle();
    return screen;
  };

  it('finds its glazes by name in any case of letters, asks for the others, and makes the piece', async () => {
    const screen = await open(file());
    expect(screen.text).toContain('1 of its glazes has no bucket here yet');
    expect(screen.button('Take it in').disabled).toBe(true);
    await screen.choose('Somebody’s blue', 'Noche Honda');
    await screen.press('Take it in');
    const request = records.http.expectOne((one) => one.method === 'POST' && one.url.endsWith('/pieces'));
    const { body } = request.request.body as { body: PieceBody };
    expect(body.plan.zones.inside[0]!.bucketId).toBe(WHITE.id);
    expect(body.plan.zones.outside[0]!.bucketId).toBe(BLUE.id);
    expect(body.bodyId).toBe(CLAY.id);
    request.flush({ id: id(), version: 1, createdAt: '2026-03-01T10:00:00.000Z', body } satisfies Piece);
    await screen.settle();
    expect(taken).toHaveLength(1);
  });

  it('left, nothing is made; a wrong file is said in a sentence', async () => {
    const screen = await open(file());
    await screen.press('Leave it');
    expect(screen.has('Take it in')).toBe(false);
    expect(screen.field('Take in a plan’s file').value).toBe('');
    const wrong = await open('{"format":"cazuela"}');
    expect(wrong.text).toContain('This file holds no piece plan');
    // The name of that file stays visible.
    expect(wrong.field('Take in a plan’s file').value).toBe('plan.json');
  });
});
