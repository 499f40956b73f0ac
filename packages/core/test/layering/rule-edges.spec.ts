import { pieceWarnings, shapeOf, type BodyFacts, type GlazeFacts, type PiecePlan, type Warning } from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const BODY: BodyFacts = { name: 'Barro Claro', bisqueCone: '05', earthenware: false, absorptionPercent: 11, lightness: 0.7, shrinkagePercent: 11 };
const told = (id: string, plan: PiecePlan, glazes: readonly GlazeFacts[], body: BodyFacts = BODY): Warning | undefined =>
  pieceWarnings({ plan, shape: shapeOf(plan), glazes, body }).find((one) => one.rule === id);
const slip = (shrinkagePercent: number) => ({ id: 'pot', name: 'Nieve', colour: '#ffffff', coatingKind: 'slip' as const, shrinkagePercent });
const words = (warning: Warning | undefined): string[] => (warning?.fixes ?? []).map((fix) => fix.words);

describe('just within a rule, and just over it', () => {
  it.each([
    [12.5, undefined],
    [12.6, 'crack and peel off'],
    [9.5, undefined],
    [9.4, 'lift and peel off'],
  ])('a slip that shrinks %s % on a body of 11 %', (shrinkagePercent, what) => {
    const plan = planOf({ outside: [coat('pot', 0.2, { coatingKind: 'slip' })] }, { decoratingColours: [slip(shrinkagePercent)] });
    const warning = told('B1', plan, []);
    if (what === undefined) expect(warning).toBeUndefined();
    else expect(warning?.what).toContain(what);
  });

  it('a slip that lifts wants ball clay, one that cracks wants its clay calcined', () => {
    const remedies = (percent: number) =>
      told('B1', planOf({ outside: [coat('pot', 0.2, { coatingKind: 'slip' })] }, { decoratingColours: [slip(percent)] }), [])!.remedies;
    expect(remedies(14)).toContain('Part of its clay calcined');
    expect(remedies(8)).toContain('Some ball clay in the slip');
  });

  it.each([
    ['its colour is lost', 0.44, 0.56, 0.44, true],
    ['not on a body a little lighter', 0.45, 0.56, 0.44, false],
    ['not if the glaze is a little darker', 0.44, 0.55, 0.44, false],
    ['not if the coat is a little thicker', 0.44, 0.56, 0.45, false],
  ])('a light, thin glaze on a dark body: %s', (_words, bodyLightness, glazeLightness, coatMm, lost) => {
    const glazes = [glazeOf('white', { lightness: glazeLightness })];
    expect(told('B2', planOf({ outside: [coat('white', coatMm)] }), glazes, { ...BODY, lightness: bodyLightness }) !== undefined).toBe(lost);
  });

  it('two thin coats together are thick enough for a dark body, and the slip that is at hand is named', () => {
    const dark = { ...BODY, lightness: 0.3 };
    const glazes = [glazeOf('white', { lightness: 0.9 }), glazeOf('cream', { lightness: 0.8 })];
    expect(told('B2', planOf({ outside: [coat('white', 0.25), coat('cream', 0.25)] }), glazes, dark)).toBeUndefined();
    const thin = told('B2', planOf({ outside: [coat('white', 0.25)] }, { decoratingColours: [slip(11)] }), glazes, dark)!;
    expect(thin.remedies).toEqual(['Nieve beneath it']);
    expect(thin.fixes![0]!.change.zones!.outside[0]!.coatMm).toBe(0.6);
  });

  it('a thin light glaze on a strip is made thicker on that strip, and nowhere else', () => {
    const strips = [{ id: 's', fromMm: 30, toMm: 50, layers: [coat('white', 0.2)], first: true }];
    const plan = planOf({ outside: [coat('iron', 0.5)] }, { strips });
    const warning = told('B2', plan, [glazeOf('white', { lightness: 0.9 }), glazeOf('iron', { lightness: 0.2 })], { ...BODY, lightness: 0.3 })!;
    const { change } = warning.fixes![0]!;
    expect(change.strips![0]!.layers[0]!.coatMm).toBe(0.6);
    expect(change.zones!.outside[0]!.coatMm).toBe(0.5);
  });

  it('speckle is told of glazes it is seen through, not of dark ones', () => {
    const speckled = { ...BODY, speckled: true };
    expect(told('B3', planOf({ outside: [coat('iron')] }), [glazeOf('iron', { lightness: 0.4 })], speckled)).toBeUndefined();
    expect(told('B3', planOf({ outside: [coat('cream')] }), [glazeOf('cream', { lightness: 0.41 })], speckled)?.what).toContain('cream');
  });

  it('an encapsulated stain is looked at up to cone 8, and stopped above it', () => {
    const decoratingColours = [{ id: 'pot', name: 'Rojo', colour: '#aa2222', coatingKind: 'stain' as const, colourant: 'encapsulated' as const }];
    const at = (cone: string) =>
      told('B4', planOf({ outside: [coat('pot', 0.1, { coatingKind: 'stain' })] }, { decoratingColours, cone }), [])!.severity;
    expect(at('6')).toBe('look');
    expect(at('8')).toBe('look');
    expect(at('9')).toBe('stop');
  });

  it.each([
    ['chromeGreen' as const, { ZnO: 1, CaO: 12 }, undefined],
    ['chromeGreen' as const, { ZnO: 1.1, CaO: 12 }, /1\.1 % zinc/],
    ['chromeTinPink' as const, { CaO: 8 }, undefined],
    ['chromeTinPink' as const, { CaO: 7.9 }, /only 7\.9 % lime/],
    // Nothing is claimed of a glaze whose powders are not known.
    ['chromeTinPink' as const, {}, undefined],
    ['other' as const, { ZnO: 9 }, undefined],
  ])('%s under a glaze of %j', (colourant, firedPercent, what) => {
    const decoratingColours = [{ id: 'pot', name: 'Verde', colour: '#22aa55', coatingKind: 'underglaze' as const, colourant }];
    const plan = planOf({ outside: [coat('pot', 0.1, { coatingKind: 'underglaze' }), coat('clear')] }, { decoratingColours });
    const warning = told('B4', plan, [glazeOf('clear', { firedPercent })]);
    if (what === undefined) expect(warning).toBeUndefined();
    else expect(warning?.what).toMatch(what);
  });
});

describe('drying and flaking', () => {
  const ash = glazeOf('ash', { shrinkShare: 4 });
  const clay = glazeOf('clay', { shrinkShare: 24 });

  it('gum beneath makes a stop into a look, and is not offered twice', () => {
    const plan = planOf({ outside: [coat('ash', 0.3), coat('clay', 0.4)] });
    const bare = told('F1', plan, [ash, clay])!;
    const gummed = told('F1', { ...plan, gumIn: ['ash'] }, [ash, clay])!;
    expect([bare.severity, gummed.severity]).toEqual(['stop', 'look']);
    expect(gummed.what).toContain('may still flake');
    expect(words(bare)).toContain('Gum in ash');
    expect(words(gummed)).not.toContain('Gum in ash');
  });

  it.each([
    ['on a zone they change places', planOf({ inside: [coat('ash', 0.3), coat('clay', 0.4)] }), 'Swap them: clay beneath'],
    ['on the rim it goes first and is waxed', planOf({ outside: [coat('ash', 0.3)], rim: [coat('clay', 0.4)] }), 'clay first, and wax it'],
    [
      'on a strip it goes first and is waxed',
      planOf({ outside: [coat('ash', 0.3)] }, { strips: [{ id: 's', fromMm: 30, toMm: 50, layers: [coat('clay', 0.4)] }] }),
      'clay first, and wax it',
    ],
  ])('%s', (_where, plan, action) => {
    expect(words(told('F1', plan, [ash, clay]))[0]).toBe(action);
  });

  it('swapped, the coats of the zone are the same two, in the other order', () => {
    const plan = planOf({ foot: [coat('clay', 0.1), coat('ash', 0.3), coat('clay', 0.6)] }, { waxFootMm: 0 });
    const warning = told('F1', plan, [ash, clay])!;
    const swapped = warning.fixes!.find((fix) => fix.words.startsWith('Swap'))!.change.zones!.foot;
    expect(swapped.map((layer) => [layer.bucketId, layer.coatMm])).toEqual([
      ['clay', 0.1],
      ['clay', 0.6],
      ['ash', 0.3],
    ]);
    expect(words(warning)).toContain('clay at 0.5 mm');
  });

  it('one millimetre together is let pass, and a hair more is brought back to it in steps of a twentieth', () => {
    const two = (mm: number): PiecePlan => planOf({ outside: [coat('iron', 0.5), coat('white', mm)] });
    const glazes = [glazeOf('iron'), glazeOf('white')];
    expect(told('F2', two(0.5), glazes)).toBeUndefined();
    const [thinner] = told('F2', two(0.6), glazes)!.fixes!;
    const coats = thinner!.change.zones!.outside.map((layer) => layer.coatMm);
    expect(coats).toEqual([0.45, 0.5]);
    expect(told('F2', { ...two(0.6), ...thinner!.change }, glazes)).toBeUndefined();
  });

  it('a slip beneath is no part of that millimetre', () => {
    const plan = planOf({ outside: [coat('pot', 0.6, { coatingKind: 'slip' }), coat('iron', 0.9)] }, { decoratingColours: [slip(11)] });
    expect(told('F2', plan, [glazeOf('iron')])).toBeUndefined();
  });

  it('a glaze of clay that is thin already is offered no thinner coat', () => {
    const rich = [glazeOf('clay', { shrinkShare: 26 })];
    expect(words(told('F2', planOf({ outside: [coat('clay', 0.5)] }), rich))).toEqual(['clay at 0.35 mm']);
    expect(words(told('F2', planOf({ outside: [coat('clay', 0.35)] }), rich))).toEqual([]);
    expect(told('F2', planOf({ outside: [coat('clay', 0.35)] }), [glazeOf('clay', { shrinkShare: 25 })])).toBeUndefined();
  });

  it('a tight bisque matters to a dip or a pour, not to a brush; at four percent it drinks', () => {
    const dipped = planOf({ outside: [coat('iron')] });
    const brushed = planOf({ outside: [coat('iron', 0.5, { method: 'brush' })] });
    const tight = { ...BODY, absorptionPercent: 3.9 };
    expect(told('F3', dipped, [glazeOf('iron')], tight)?.what).toContain('only 3.9 % of water');
    expect(told('F3', brushed, [glazeOf('iron')], tight)).toBeUndefined();
    expect(told('F3', dipped, [glazeOf('iron')], { ...BODY, absorptionPercent: 4 })).toBeUndefined();
    const [brush] = told('F3', dipped, [glazeOf('iron')], tight)!.fixes!;
    expect(brush!.change.zones!.outside[0]!.method).toBe('brush');
  });

  it('a piece glazed and fired before, brushed all over, is left in peace; a bare one too', () => {
    expect(told('F3', planOf({ outside: [coat('iron', 0.5, { method: 'brush' })] }, { refire: true }), [glazeOf('iron')])).toBeUndefined();
    expect(told('F3', planOf({}, { refire: true }), [])).toBeUndefined();
  });

  it('a soaked foot that reaches no height holds no water', () => {
    expect(told('H6', planOf({ outside: [coat('iron')] }, { footBy: 'soak', waxFootMm: 0 }), [glazeOf('iron')])).toBeUndefined();
  });
});
