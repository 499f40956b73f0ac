import { PIECE_SHAPES, PRIOR_KNOWLEDGE, quickForecast, type GlazeFacts, type PiecePlan } from '@cazuela/core';
import { glazeOf } from '@cazuela/core/test/glaze-facts';
import { FakeRecords } from '../../../../../testing/records';
import { Screen } from '../../../../../testing/screen';
import { AlternativesPanel } from './alternatives-panel';

const glaze = (bucketId: string, shrinkShare: number): GlazeFacts =>
  glazeOf(bucketId, { lightness: 0.6, shrinkShare, flow: { flow: 30, lnSd: 0.5, basis: 'pottersWord' } });
const CAZUELA = PIECE_SHAPES.find((shape) => shape.id === 'cazuela')!;
const GLAZES = [glaze('Ceniza', 4), glaze('Retama', 31)];
const coat = (bucketId: string, coatMm: number) => ({ id: `${bucketId} ${coatMm}`, bucketId, method: 'dip' as const, coatMm });
const PLAN: PiecePlan = {
  shapeId: 'cazuela',
  zones: { inside: [], outside: [coat('Ceniza', 0.4)], rim: [coat('Retama', 0.35)], foot: [] },
  waxFootMm: 10,
  rimBandMm: 20,
  order: [],
  putAside: [],
};

/** The search starts once a drag rests, by the clock: the clock is turned, so that a slow machine makes no difference. */
const settle = async (screen: Screen<AlternativesPanel>): Promise<void> => {
  await jest.advanceTimersByTimeAsync(160);
  await screen.settle();
};

describe('alternatives to a piece, side by side', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  const open = async (plan = PLAN): Promise<[Screen<AlternativesPanel>, Partial<PiecePlan>[]]> => {
    new FakeRecords().openStudio();
    const screen = await Screen.open(AlternativesPanel, {
      plan,
      forecast: quickForecast({ plan, shape: CAZUELA, glazes: GLAZES }),
      shape: CAZUELA,
      glazes: GLAZES,
      body: { name: 'Barro Claro', bisqueCone: '05', earthenware: false },
      count: 6,
      knowledge: () => PRIOR_KNOWLEDGE,
      colours: new Map(),
    });
    await settle(screen);
    const taken: Partial<PiecePlan>[] = [];
    screen.fixture.componentInstance.taken.subscribe((plan) => taken.push(plan));
    return [screen, taken];
  };
  const articles = (screen: Screen<AlternativesPanel>): string[] => screen.all('article').map((one) => one.getAttribute('aria-label')!);

  it('where the drawn order flakes, the found one waxes the rim first, with its steps, hands, waits and why', async () => {
    const [screen] = await open();
    expect(articles(screen)[0]).toMatch(/^The rim first, waxed/);
    expect(screen.text).toContain('Wax over the rim’s dry glaze, to its edge');
    expect(screen.text).toMatch(/\d+ min of hands for all \d+ and \d+ min of waiting\. A steady hand at the edge\./);
    expect(screen.text).toContain('the two meet at an edge and never lie on one another');
    expect(screen.all('article').length).toBe(3);
  });

  it('is taken with one tap: its order and its changes', async () => {
    const [screen, taken] = await open();
    await screen.press(/^Take it: The rim first/);
    expect(taken[0]).toMatchObject({ rimFirst: true, order: expect.arrayContaining(['waxOver']) as string[] });
    const [again] = await open({ ...PLAN, ...taken[0] } as PiecePlan);
    expect(again.text).toContain('This is your plan.');
  });

  /** As the planner does: what is taken becomes part of the plan. */
  const follow = async (screen: Screen<AlternativesPanel>, taken: readonly Partial<PiecePlan>[]): Promise<void> => {
    screen.fixture.componentRef.setInput('plan', { ...PLAN, ...Object.assign({}, ...taken) } as PiecePlan);
    await settle(screen);
  };

  it('what nobody wants is left out, and let in again', async () => {
    const [screen, taken] = await open();
    await screen.press('Not: rim first');
    expect(taken).toEqual([{ unwanted: { changes: ['rimFirst'] } }]);
    await follow(screen, taken);
    expect(articles(screen).some((title) => /rim first/i.test(title))).toBe(false);
    expect(screen.text).toContain('Left out: rim first.');
    await screen.press('Allow all again');
    await follow(screen, taken);
    expect(articles(screen)[0]).toMatch(/^The rim first/);
  });

  it('a single step is left out with one tap, and another does what it was for', async () => {
    const [screen, taken] = await open();
    await screen.press(/^Not this step: Dip the outside in Ceniza/);
    await follow(screen, taken);
    expect(screen.text).toContain('Left out: dip of Ceniza.');
    expect(screen.text).not.toContain('Dip the outside in Ceniza');
    expect(articles(screen).every((title) => /poured instead|brushed/i.test(title))).toBe(true);
    // Nobody leaves out checking it and wiping its foot.
    expect(screen.has(/Not this step: (Check|Wipe)/)).toBe(false);
  });

  it('where nothing is left it says so, with the way back', async () => {
    const key = `layer:${PLAN.zones.outside[0]!.id}`;
    const [screen, taken] = await open({ ...PLAN, unwanted: { steps: ['dip', 'pour', 'brush'].map((by) => ({ key, by })) } });
    expect(screen.text).toContain('Nothing is left without what you leave out.');
    await screen.press('Allow all again');
    expect(taken).toEqual([{ unwanted: undefined }]);
  });

  it('a bare piece has no alternatives', async () => {
    const [screen] = await open({ ...PLAN, zones: { inside: [], outside: [], rim: [], foot: [] } });
    expect(screen.text).toBe('Put glaze on the piece: then alternatives are worked out.');
  });
});
