import { PIECE_SHAPES, PRIOR_KNOWLEDGE, type GlazeFacts, type PiecePlan } from '@cazuela/core';
import { FakeRecords } from '../../../../testing/records';
import { Screen } from '../../../../testing/screen';
import { WaysPanel } from './ways-panel';

const glaze = (bucketId: string, shrinkShare: number): GlazeFacts => ({
  bucketId,
  name: bucketId,
  lightness: 0.6,
  sg: 1.45,
  density: 2.6,
  packing: 0.5,
  filmMm: 0.15,
  slurryState: 'normal',
  shrinkShare,
  loiPercent: 8,
  flow: { flow: 30, lnSd: 0.5, ground: 'pottersWord' },
  surface: 'gloss',
  foodTested: true,
  firedPercent: {},
  unity: {},
});
const coat = (bucketId: string, coatMm: number) => ({ id: `${bucketId} ${coatMm}`, bucketId, way: 'dip' as const, coatMm });
const PLAN: PiecePlan = {
  shapeId: 'cazuela',
  zones: { inside: [], outside: [coat('Ceniza', 0.4)], rim: [coat('Retama', 0.35)], foot: [] },
  waxFootMm: 10,
  rimBandMm: 20,
  order: [],
  putAside: [],
};

/** A hand that drags asks once it rests. */
const rested = async (screen: Screen<WaysPanel>): Promise<void> => {
  await new Promise((resolve) => setTimeout(resolve, 160));
  await screen.settle();
};

describe('ways to a piece, side by side', () => {
  const open = async (plan = PLAN): Promise<[Screen<WaysPanel>, Partial<PiecePlan>[]]> => {
    new FakeRecords().openStudio();
    const screen = await Screen.open(WaysPanel, {
      plan,
      shape: PIECE_SHAPES.find((shape) => shape.id === 'cazuela')!,
      glazes: [glaze('Ceniza', 4), glaze('Retama', 31)],
      body: { name: 'Barro Claro', bisqueCone: '05', earthenware: false },
      count: 6,
      knowledge: () => PRIOR_KNOWLEDGE,
      colours: new Map(),
    });
    await rested(screen);
    const taken: Partial<PiecePlan>[] = [];
    screen.fixture.componentInstance.taken.subscribe((plan) => taken.push(plan));
    return [screen, taken];
  };
  const articles = (screen: Screen<WaysPanel>): string[] => screen.all('article').map((one) => one.getAttribute('aria-label')!);

  it('where the drawn order flakes, the found one waxes the rim first, with its steps, hands, waits and why', async () => {
    const [screen] = await open();
    expect(articles(screen)[0]).toMatch(/^The rim first, waxed/);
    expect(screen.text).toContain('Wax over the rim’s dry glaze, to its edge');
    expect(screen.text).toMatch(/\d+ min of hands and \d+ min of waiting\. A steady hand at the edge\./);
    expect(screen.text).toContain('the two meet at an edge and never lie on one another');
    expect(screen.all('article').length).toBe(3);
  });

  it('is taken with one tap: its order and its changes', async () => {
    const [screen, taken] = await open();
    await screen.press(/^Take this way: The rim first/);
    expect(taken[0]).toMatchObject({ rimFirst: true, order: expect.arrayContaining(['waxOver']) as string[] });
    const [again] = await open({ ...PLAN, ...taken[0] } as PiecePlan);
    expect(again.text).toContain('This is your plan.');
  });

  it('what nobody wants is left out, and let in again', async () => {
    const [screen] = await open();
    await screen.press('Not: rim first');
    expect(articles(screen).some((title) => /rim first/i.test(title))).toBe(false);
    expect(screen.text).toContain('Left out: rim first.');
    await screen.press('Allow all again');
    await rested(screen);
    expect(articles(screen)[0]).toMatch(/^The rim first/);
  });

  it('a bare piece has no ways', async () => {
    const [screen] = await open({ ...PLAN, zones: { inside: [], outside: [], rim: [], foot: [] } });
    expect(screen.text).toBe('');
  });
});
