import { planStepTile, predictCoat, windowFromLooks, type CoatLook, type CoatSituation } from '../../src/index';

const SITUATION: CoatSituation = { sg: 1.46, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 6, faces: 1 };
const WANTED = [0.9, 0.3, 0.5, 0.7];

describe('a step tile', () => {
  it('in one go: the thinnest at the top comes out first, each strip at the seconds of its coat', () => {
    const { strips, stripMm } = planStepTile({ wantedMm: WANTED, tileHighMm: 95, situation: SITUATION, method: 'inOneGo' });
    expect(strips.map((strip) => strip.wantedMm)).toEqual([0.3, 0.5, 0.7, 0.9]);
    expect(stripMm).toBe(20);
    expect(strips.map((strip) => strip.depthMm)).toEqual([80, 60, 40, 20]);
    let before = 0;
    for (const strip of strips) {
      if (strip.seconds.kind !== 'ok') throw new Error(strip.seconds.kind);
      expect(strip.seconds.seconds).toBeGreaterThan(before);
      before = strip.seconds.seconds;
      const { coat } = predictCoat({ ...SITUATION, seconds: strip.seconds.seconds });
      expect(coat.kind === 'ok' && coat.coatMm).toBeCloseTo(strip.wantedMm, 6);
      expect(strip.lowMm!).toBeLessThan(strip.wantedMm);
      expect(strip.highMm!).toBeGreaterThan(strip.wantedMm);
    }
  });

  it('dip over dip: every strip is reached with what lies on it already', () => {
    const { strips } = planStepTile({ wantedMm: WANTED, tileHighMm: 95, situation: SITUATION, method: 'dipOverDip', betweenMinutes: 60 });
    for (const strip of strips) expect(strip.coatMm).toBeCloseTo(strip.wantedMm, 6);
    // Over a coat a wall is less thirsty: the same step takes longer.
    const seconds = strips.map((strip) => (strip.seconds.kind === 'ok' ? strip.seconds.seconds : NaN));
    expect(seconds[2]).toBeGreaterThan(seconds[1]!);
  });

  it('says which strip cannot be: a film is thicker already, a thin wall is full', () => {
    const thick = planStepTile({ wantedMm: [0.02, 0.5], tileHighMm: 95, situation: SITUATION, method: 'inOneGo' });
    expect(thick.strips[0]!.seconds.kind).toBe('filmAlreadyExceeds');
    expect(thick.strips[0]!.coatMm).toBeUndefined();
    const thin = planStepTile({ wantedMm: [0.3, 2], tileHighMm: 95, situation: { ...SITUATION, wallMm: 2 }, method: 'inOneGo' });
    expect(thin.strips[1]!.seconds.kind).toBe('wallSaturated');
  });

  it('warns of strips no hand can tell apart', () => {
    expect(planStepTile({ wantedMm: [0.4, 0.41], tileHighMm: 95, situation: SITUATION, method: 'inOneGo' }).tooClose).toBe(true);
    expect(planStepTile({ wantedMm: [0.3, 0.9], tileHighMm: 95, situation: SITUATION, method: 'inOneGo' }).tooClose).toBe(false);
  });

  it.each([
    [{ tileHighMm: 40 }, '4 strips need a tile of at least 55 mm'],
    [{ wantedMm: [] }, 'at least one thickness'],
    [{ wantedMm: [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9] }, 'at most 8 thicknesses'],
    [{ wantedMm: [-1] }, 'The coat must be more than 0'],
  ])('%p is refused', (wrong, words) => {
    expect(() => planStepTile({ wantedMm: WANTED, tileHighMm: 95, situation: SITUATION, method: 'inOneGo', ...wrong })).toThrow(words);
  });
});

describe('a window made of what was seen', () => {
  const look = (coatMm: number, verdict: CoatLook['verdict'], words = ''): CoatLook => ({ coatMm, verdict, words });
  const tile = [look(0.3, 'thin', 'grey'), look(0.5, 'right', 'sea-green'), look(0.7, 'right'), look(0.9, 'thick', 'runs')];

  it('each end lies between the neighbours that differ', () => {
    const made = windowFromLooks({ looks: tile });
    if (made.kind !== 'ok') throw new Error(made.kind);
    expect(made.window.thinMm).toBeCloseTo(Math.sqrt(0.3 * 0.5), 9);
    expect(made.window.thickMm).toBeCloseTo(Math.sqrt(0.7 * 0.9), 9);
    expect(made.window.looks).toEqual({ thin: 'grey', right: 'sea-green', thick: 'runs' });
    expect(made).toMatchObject({ thinOpen: false, thickOpen: false, contradictions: 0, looks: 4 });
  });

  it('where nothing thinner was seen, it ends where somebody looked, and says so', () => {
    const made = windowFromLooks({ looks: tile.slice(1) });
    expect(made).toMatchObject({ thinOpen: true, window: { thinMm: 0.5 } });
  });

  it('a look that contradicts the others is counted, and moves little', () => {
    const made = windowFromLooks({ looks: [...tile, look(0.6, 'thin')] });
    expect(made).toMatchObject({ contradictions: 1 });
    if (made.kind === 'ok') expect(made.window.thinMm).toBeLessThan(0.65);
  });

  it('one right coat is a window as wide as a caliper errs; none is no window', () => {
    const made = windowFromLooks({ looks: [look(0.6, 'right')] });
    if (made.kind !== 'ok') throw new Error(made.kind);
    expect(made.window.thinMm).toBeLessThan(0.6);
    expect(made.window.thickMm).toBeGreaterThan(0.6);
    expect(windowFromLooks({ looks: [look(0.6, 'thin')] })).toEqual({ kind: 'nothingRight', looks: 1 });
  });
});
