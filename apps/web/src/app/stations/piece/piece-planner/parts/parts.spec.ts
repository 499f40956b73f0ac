import type { DayItem } from '@cazuela/core';
import { CLAY, id } from '../../../../../testing/made-up';
import { BLUE, coat, PlannerScreen, WHITE, zones } from '../../../../../testing/planner-screen';

describe('a pot with its lid and saucer', () => {
  it('a lid is added with the glaze of its pot, on its bare seat; its plan is changed, the pot’s stays', async () => {
    const planner = await PlannerScreen.open({ zones: zones({ outside: [coat(BLUE.id)] }) });
    const { screen } = planner;
    await screen.press('A lid');
    const { plan, parts } = planner.saved();
    expect(plan).toMatchObject({ lid: true, shapeId: 'cup' });
    expect(parts).toMatchObject([{ name: 'Lid', plan: { setting: 'onRim', zones: { outside: [{ bucketId: BLUE.id }], inside: [] } } }]);
    expect(planner.steps()).toContain('Wax the seat, 5 mm');
    await planner.at('Inside');
    await screen.press('A coat on the inside');
    const after = planner.saved();
    expect(after.parts![0]!.plan.zones.inside).toHaveLength(1);
    expect(after.plan.zones.inside).toEqual([]);
    screen.key('u');
    await screen.settle();
    expect(planner.saved().parts![0]!.plan.zones.inside).toEqual([]);
  });

  it('what speaks most against the part that is not shown is said; it is named, and taken away', async () => {
    const planner = await PlannerScreen.open({ zones: zones({ outside: [coat(BLUE.id)] }), waxFootMm: 0 });
    const { screen } = planner;
    await screen.press('A saucer');
    expect(planner.saved().parts![0]!.plan.zones.inside).toHaveLength(1);
    expect(screen.text).toContain('Cup: A glazed foot glues the piece to the shelf.');
    await screen.type('Name of the part', 'Under-dish');
    expect(planner.saved().parts![0]!.name).toBe('Under-dish');
    await screen.press('Take it away');
    expect(planner.saved().parts).toBeUndefined();
    expect(screen.has('A saucer')).toBe(true);
  });

  it('all parts go on the day, each a line of its own with its chance', async () => {
    const planner = await PlannerScreen.open({ zones: zones({ outside: [coat(BLUE.id)] }) }, { body: { count: 6, name: 'Sugar pot' } });
    await planner.screen.press('A lid');
    planner.saved();
    // What the wall reads beside the plan.
    for (const request of planner.records.http.match(({ method }) => method === 'GET')) request.flush([]);
    await planner.screen.press('Put 6 on the day');
    planner.records.answer('/days', []);
    const { items } = planner.records.http.expectOne((request) => request.method === 'POST' && request.url.endsWith('/days')).request.body as {
      items: DayItem[];
    };
    expect(items.map(({ name, count }) => [name, count])).toEqual([
      ['Sugar pot', 6],
      ['Sugar pot, Lid', 6],
    ]);
    for (const item of items) expect(item.reachChance).toBeGreaterThanOrEqual(0);
  });
});

describe('the same plan side by side', () => {
  const other = { ...CLAY, id: id(), name: 'Barro Oscuro', colour: '#5a3a28' };
  const open = (): Promise<PlannerScreen> => PlannerScreen.open({ zones: zones({ outside: [coat(WHITE.id)] }) }, { bodies: [CLAY, other] });
  const card = (planner: PlannerScreen, name: string): string =>
    planner.screen.all('article').find((article) => article.getAttribute('aria-label') === name)?.textContent ?? '';

  it('on another body, at another cone, from a thinner bucket: seconds, risk and what speaks against it; taken with one tap', async () => {
    const planner = await open();
    const { screen } = planner;
    await screen.press('Alternatives');
    await screen.choose('On', 'Barro Oscuro');
    await screen.choose('At cone', '8');
    await screen.type('Its SG', '1.38');
    await screen.press('Compare it');
    const name = `On Barro Oscuro, at cone 8, ${WHITE.body.name} at SG 1.38`;
    expect(card(planner, name)).toMatch(/ s at SG 1\.38/);
    expect(card(planner, 'As planned')).toMatch(/ s at SG 1\.4/);
    await screen.press('Plan it so');
    expect(planner.saved()).toMatchObject({ bodyId: other.id, plan: { cone: '8', thinned: [{ bucketId: WHITE.id, sg: 1.38 }] } });
  });

  it('a thicker bucket is shown, but no plan makes it so', async () => {
    const planner = await open();
    const { screen } = planner;
    await screen.press('Alternatives');
    await screen.type('Its SG', '1.60');
    await screen.press('Compare it');
    expect(card(planner, `${WHITE.body.name} at SG 1.60`)).toMatch(/let it settle/);
    expect(screen.has('Plan it so')).toBe(false);
    await screen.press('Leave it');
    expect(screen.all('.variants article')).toHaveLength(1);
  });
});

describe('places of their own', () => {
  it('the handle is glazed apart and waxed over; it has no heights to type', async () => {
    const planner = await PlannerScreen.open({ shapeId: 'mug', zones: zones({ outside: [coat(BLUE.id)] }) });
    const { screen } = planner;
    await screen.press('The handle apart');
    expect(planner.saved().plan.strips).toMatchObject([{ on: 'handle', first: true }]);
    expect(screen.all('input').some((field) => field.getAttribute('aria-label') === 'From')).toBe(false);
    await screen.press('A coat on the handle');
    planner.saved();
    expect(planner.steps()).toContain('Wax over the handle');
    expect(screen.has('The handle apart')).toBe(false);
  });

  it('a lustre is a small pot; its coat is painted after the glaze firing', async () => {
    const planner = await PlannerScreen.open({ zones: zones({ outside: [coat(BLUE.id)] }) });
    const { screen } = planner;
    await screen.press('A small pot');
    await screen.choose('It is', 'a lustre, fired later');
    await planner.at('Outside');
    await screen.press('One over it on the outside');
    await screen.choose('Outside, coat 2: bucket', 'Colour 1 (lustre)');
    expect(planner.saved().plan.zones.outside[1]).toMatchObject({ coatingKind: 'lustre', method: 'brush', coatMm: 0.01 });
    expect(planner.steps()).toMatch(/Fire it to cone 6.*Brush Colour 1 on the outside.*Fire it again for the lustre/);
    expect(screen.text).toContain('Lustre gives off fumes');
  });

  it('lines are trailed: thick, and over part of the place', async () => {
    const planner = await PlannerScreen.open({ zones: zones({ outside: [coat(BLUE.id)] }) });
    const { screen } = planner;
    await screen.press('A strip');
    await screen.press('A coat on the strip 1');
    await screen.choose('Strip 1, coat 1: way', 'trail');
    await screen.check('only lines');
    expect(planner.saved().plan.strips![0]).toMatchObject({ linesShare: 0.2, layers: [{ method: 'trail', coatMm: 1 }] });
    expect(planner.steps()).toContain(`Trail ${WHITE.body.name} on the strip`);
  });

  it('the wanted end is of any edge: the strip starts so much higher', async () => {
    const planner = await PlannerScreen.open({
      zones: zones({ outside: [coat(BLUE.id)] }),
      strips: [{ id: id(), fromMm: 50, toMm: 80, layers: [coat(WHITE.id, 0.6)] }],
    });
    const { screen } = planner;
    await screen.press('Run');
    await screen.choose('The edge of', 'strip 50–80 mm up');
    await screen.type('Its edge should end', '45');
    await screen.press(/^Start it \d+ mm up$/);
    const [strip] = planner.saved().plan.strips!;
    expect(strip!.fromMm).toBeGreaterThan(45);
    await screen.type('Its edge should end', '79');
    expect(screen.text).toContain('There is no room for that edge to start higher');
  });
});
