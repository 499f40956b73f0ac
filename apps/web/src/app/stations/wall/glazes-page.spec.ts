import type { Piece, Result, RunnerTile } from '@cazuela/contract';
import { bucket, CLAY, firing, id, piece, result, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { GlazesPage } from './glazes-page';

const named = (name: string, colour: string): ReturnType<typeof bucket> => {
  const made = bucket();
  return { ...made, recipeId: null, body: { ...made.body, name, colour } };
};
const WHITE = named('White', '#ECE2CC');
const ASH = named('Ash', '#D1C7AE');
const of = firing(60);
const coat = (bucketId: string) => ({ id: id(), bucketId, method: 'dip' as const, coatMm: 0.5 });
const overWhite = piece({ zones: { inside: [], outside: [coat(WHITE.id), coat(ASH.id)], rim: [], foot: [] } });
const alone = piece({ zones: { inside: [coat(WHITE.id)], outside: [], rim: [], foot: [] } });

describe('glaze over glaze', () => {
  const open = async (
    pieces: Piece[],
    results: Result[],
    inputs: Record<string, unknown> = {},
    runners: RunnerTile[] = [],
  ): Promise<Screen<GlazesPage>> => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(GlazesPage, inputs);
    const lists: Record<string, unknown[]> = {
      '/buckets': [summaryOf(WHITE), summaryOf(ASH)],
      '/pieces': pieces,
      '/results': results,
      '/runner-tiles': runners,
      '/firings': [of],
      '/bodies': [CLAY],
    };
    // What is on the wall first; when it is drawn, what the next test needs to know.
    for (let round = 0; round < 2; round++) {
      if (round > 0) await new Promise((drawn) => setTimeout(drawn, 80));
      for (const request of records.http.match(({ method }) => method === 'GET'))
        request.flush(lists[request.request.url.replace(/^\/api\/studios\/[^/]+/, '')] ?? []);
      await screen.settle();
    }
    return screen;
  };

  it('what was made is said before it is made again, with its pieces and the other order', async () => {
    const screen = await open([overWhite], [result(overWhite, of, { stars: 4 }), result(overWhite, of, { stars: 1 })]);
    expect(screen.text).toContain('1 of 6 combinations are fired, 0 on their way; verdicts disagree at 1.');
    await screen.press('Ash over White: fired 2 times, 1 star in the middle, verdicts disagree');
    expect(screen.text).toContain('You have made this one: fired 2 times');
    expect(screen.text).toContain('Verdicts disagree');
    expect(screen.text).toContain('The other way round, White over Ash: not made yet.');
    expect(screen.button('Plan a runner tile of it').getAttribute('href')).toBe(`/piece/runners?below=${WHITE.id}&over=${ASH.id}`);
  });

  it('a plan is a cell too, and one on the clay stands in the first row', async () => {
    const screen = await open([alone], []);
    await screen.press('White on the clay: planned');
    expect(screen.text).toContain('White on the clay On its way: planned.');
    await screen.press('Ash over Ash: not made');
    expect(screen.text).toContain('One glaze over itself is one glaze.');
  });

  it('a glaze whose window on the clay nobody knows is offered as a step tile, with its bucket and clay', async () => {
    const screen = await open([alone], [], { clay: CLAY.id });
    await screen.press('White on the clay: planned');
    expect(screen.text).toContain('Nobody knows yet how thick it wants to be on this clay: a step tile says it.');
    expect(screen.button('Plan a step tile of it').getAttribute('href')).toBe(`/coat?bucket=${WHITE.id}&body=${CLAY.id}&panel=tile`);
    await screen.press('Ash over White: not made');
    expect(screen.has('Plan a step tile of it')).toBe(false);
  });

  it('a coat that nobody can judge hangs on no slice of coats', async () => {
    const screen = await open([overWhite], [result(overWhite, of, { stars: 4 })], { coat: 'thick' });
    expect(screen.text).toContain('0 of 6 combinations are fired');
  });

  it('the arrows walk from cell to cell, and stop at the edge', async () => {
    const screen = await open([overWhite], []);
    const first = screen.button('Ash on the clay: not made');
    const press = async (key: string): Promise<void> => {
      document.activeElement!.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
      await screen.settle();
    };
    document.body.append(screen.root);
    first.focus();
    await press('ArrowRight');
    expect(screen.text).toContain('White on the clay Not made yet.');
    await press('ArrowDown');
    await press('ArrowDown');
    expect(document.activeElement!.getAttribute('aria-label')).toBe('White over White: not made');
    await press('ArrowDown');
    expect(document.activeElement!.getAttribute('aria-label')).toBe('White over White: not made');
    await press('Home');
    expect(document.activeElement!.getAttribute('aria-label')).toBe('Ash over White: planned');
    screen.root.remove();
  });

  it('what to test next, with why and with what: a tap leads to its cell', async () => {
    const screen = await open([overWhite], [result(overWhite, of, { stars: 4 })]);
    expect(screen.text).toContain('What to test next');
    expect(screen.text).toMatch(/need 0\.\d\d, news \d\.\d\d, promise 0\.\d\d/);
    const titles = screen.all('.see').map((one) => one.textContent.trim());
    expect(titles).not.toContain('Ash over White');
    await screen.press(titles[0]!);
    expect(screen.text).toContain('Not made yet.');
    await screen.press('What to test next');
    expect(screen.text).toContain(titles[0]!);
  });

  it('a pair of which a runner tile is planned is not told again', async () => {
    const layer = (of: typeof WHITE) => ({ bucketId: of.id, glazeId: of.id, glazeName: of.body.name, coatMm: 0.5, meltsTo: 0.5 });
    const tile: RunnerTile = {
      id: id(),
      version: 1,
      code: 'R1',
      createdAt: '2026-03-01T10:00:00.000Z',
      body: { layers: [layer(ASH), layer(WHITE)], bandMm: 20, by: 'Inés', notes: '' },
    };
    const titles = async (runners: RunnerTile[]): Promise<string[]> =>
      (await open([overWhite], [result(overWhite, of, { stars: 4 })], {}, runners)).all('.see').map((one) => one.textContent.trim());
    expect(await titles([])).toContain('White over Ash');
    expect(await titles([tile])).not.toContain('White over Ash');
  });

  it('slices: another cone shows what was made there', async () => {
    const screen = await open([overWhite], [result(overWhite, of, { coneReached: '5', stars: 4 })], { at: '6' });
    expect(screen.text).toContain('0 of 6 combinations are fired');
    await screen.choose('At cone', 'cone 5');
    expect(screen.text).toContain('1 of 6 combinations are fired');
  });

  it('a wall without a glaze says what to do first', async () => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(GlazesPage);
    for (const request of records.http.match(({ method }) => method === 'GET')) request.flush([]);
    await screen.settle();
    expect(screen.text).toContain('No glaze yet');
  });
});
