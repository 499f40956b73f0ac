import { TestBed } from '@angular/core/testing';
import { formOf, shapeOf, type PiecePlan } from '@cazuela/core';
import { piece } from '../../../../../testing/made-up';
import { FakeRecords } from '../../../../../testing/records';
import { Screen } from '../../../../../testing/screen';
import { PieceDrawing } from '../../../../parts/piece-drawing/piece-drawing';
import { fitOf, frameOf } from '../../../../parts/piece-drawing/sheet';
import { edgeHandles, formHandles, isSamePlace, sideHandles, withPoint } from './board-handles';
import { BoardPaper, nearest, rulerMarks } from './board-paper';
import { PieceBoard } from './piece-board';
import { PieceDraft } from '../draft/piece-draft';
import { sectionSheet, sectionSvg } from './section-paths';

const coat = (bucketId: string, coatMm = 0.4) => ({ id: `${bucketId} ${coatMm}`, bucketId, method: 'dip' as const, coatMm });
const PLAN: PiecePlan = {
  shapeId: 'mug',
  zones: { inside: [], outside: [coat('iron')], rim: [coat('ash', 0.3)], foot: [] },
  strips: [{ id: 's', fromMm: 30, toMm: 50, layers: [coat('white', 0.2)], edge: { kind: 'waving', riseMm: 6, waves: 5 } }],
  masks: [{ id: 'm', kind: 'wax', where: 'band', fromMm: 60, toMm: 64 }],
  waxFootMm: 10,
  rimBandMm: 20,
  order: [],
  putAside: [],
};

describe('what a hand can hold on the drawing', () => {
  const handle = (words: string, plan = PLAN) => [...edgeHandles(plan, shapeOf(plan)), ...formHandles(plan)].find((one) => one.words === words)!;

  it('every edge of a zone, strip and mask, and every point and joint of the form', () => {
    expect(edgeHandles(PLAN, shapeOf(PLAN)).map((one) => one.words)).toEqual([
      'Upper edge of the bare foot',
      'Lower edge of the rim band',
      'Lower edge of strip 1',
      'Upper edge of strip 1',
      'Lower edge of mask 1',
      'Upper edge of mask 1',
    ]);
    expect(formHandles(PLAN).map((one) => one.words)).toEqual([
      'Foot',
      'Point 2',
      'Point 3',
      'Point 4',
      'Point 5',
      'Rim',
      'Upper joint of the handle',
      'Lower joint of the handle',
    ]);
  });

  it('moved, each makes the plan it stands for, and none leaves the piece', () => {
    const to = { radiusMm: 50, heightMm: 42 };
    expect(handle('Upper edge of the bare foot').moved(to)).toEqual({ waxFootMm: 42 });
    expect(handle('Lower edge of the rim band').moved({ ...to, heightMm: 90 })).toEqual({ rimBandMm: 8 });
    expect(handle('Upper edge of strip 1').moved(to).strips![0]).toMatchObject({ fromMm: 30, toMm: 42 });
    expect(handle('Lower edge of mask 1').moved({ ...to, heightMm: 4000 }).masks![0]!.fromMm).toBe(98);
    expect(handle('Point 3').moved(to).form!.points[2]).toEqual({ radiusMm: 50, heightMm: 42 });
    expect(handle('Lower joint of the handle').moved(to).form!.grip!.lowerMm).toBe(42);
  });

  it('a panel and a mask on a part of the turn have two sides, told round in percent', () => {
    const turn = { from: 0.05, to: 0.2 };
    const plan = { ...PLAN, strips: [{ ...PLAN.strips![0]!, turn }], masks: [{ ...PLAN.masks![0]!, where: 'panel' as const, turn }] };
    const sides = sideHandles(plan);
    expect(sides.map((one) => one.words)).toEqual(['Left side of panel 1', 'Right side of panel 1', 'Left side of mask 1', 'Right side of mask 1']);
    expect(sides[1]!.moved({ radiusMm: 0, heightMm: 0, share: 0.314 }).strips![0]!.turn).toEqual({ from: 0.05, to: 0.31 });
    // Left of the front it goes on from behind.
    expect(sides[2]!.moved({ radiusMm: 0, heightMm: 0, share: -0.02 }).masks![0]!.turn).toEqual({ from: 0.98, to: 0.2 });
    expect(sideHandles(PLAN)).toEqual([]);
  });

  it('a hand that only wanders aside moves no edge, one that only climbs turns no side', () => {
    const turn = { from: 0.05, to: 0.2 };
    const side = sideHandles({ ...PLAN, strips: [{ ...PLAN.strips![0]!, turn }] })[0]!;
    const at = { radiusMm: 40, heightMm: 20, share: 0.1 };
    const aside = { ...at, radiusMm: 43 };
    const higher = { ...at, heightMm: 21 };
    expect(isSamePlace(handle('Upper edge of the bare foot'), at, aside)).toBe(true);
    expect(isSamePlace(handle('Upper edge of the bare foot'), at, higher)).toBe(false);
    expect(isSamePlace(handle('Point 3'), at, aside)).toBe(false);
    expect(isSamePlace(handle('Point 3'), at, { ...at })).toBe(true);
    expect(isSamePlace(side, at, higher)).toBe(true);
    expect(isSamePlace(side, at, { ...at, share: 0.11 })).toBe(false);
  });

  it('the foot stays on the shelf', () => {
    expect(handle('Foot').moved({ radiusMm: 40, heightMm: 9 }).form!.points[0]).toMatchObject({ radiusMm: 40, heightMm: 0 });
  });

  it('a new point lies between its neighbours', () => {
    const points = withPoint(formOf(PLAN).points, 1);
    expect(points).toHaveLength(7);
    expect(points[2]).toEqual({ radiusMm: 41, heightMm: 15 });
  });
});

describe('handles on paper', () => {
  const turn = { from: 0.05, to: 0.2 };
  const plan: PiecePlan = { ...PLAN, strips: [{ ...PLAN.strips![0]!, turn }] };
  const shape = shapeOf(plan);
  const paper = (turned = 0): BoardPaper =>
    new BoardPaper(new PieceDrawing(shape, plan, new Map(), new Map(), frameOf(shape), turned), fitOf(frameOf(shape)), shape, turned);
  const side = (which: number) => sideHandles(plan)[which]!;

  it.each([0, 0.125, 0.1])('seen from %d of the turn, a side held where it stands stays where it is', (turned) => {
    for (const handle of sideHandles(plan).filter((one) => paper(turned).sees(one)))
      expect(paper(turned).placeOf(handle, paper(turned).placed(handle), 1).share).toBeCloseTo(handle.share!, 9);
  });

  it('a side is held only where it is seen; turned on, others come to the front', () => {
    expect([0, 1].map((which) => paper().sees(side(which)))).toEqual([true, true]);
    expect([0, 1].map((which) => paper(0.125).sees(side(which)))).toEqual([false, true]);
    expect(paper(0.9).sees(side(0))).toBe(true);
  });

  it('a point stays under the hand, on the grid it is drawn on', () => {
    const point = formHandles(plan)[2]!;
    const at = paper().placed(point);
    expect(paper().placeOf(point, at, 1)).toEqual({ radiusMm: point.radiusMm, heightMm: point.heightMm });
    expect(paper().placeOf(point, { x: at.x, y: at.y - 0.4 * fitOf(frameOf(shape)).scale }, 1).heightMm).toBe(point.heightMm);
    expect(paper().placeOf(point, { x: at.x, y: at.y - 0.4 * fitOf(frameOf(shape)).scale }, 0.1).heightMm).toBeCloseTo(point.heightMm + 0.4, 6);
  });

  it('where two lie close, the nearest is taken', () => {
    const all = formHandles(plan).map((one) => paper().placed(one));
    for (const one of all.slice(0, 6)) expect(nearest(all, { x: one.x + 2, y: one.y })?.key).toBe(one.key);
    expect(nearest([], { x: 0, y: 0 })).toBeUndefined();
  });

  it('a ruler has at most a dozen whole steps, in mm or inches', () => {
    const fit = { scale: 2, tallMm: 210, height: 420, halfWidth: 90 };
    expect(rulerMarks(fit, 'mm').map((mark) => mark.words)).toEqual(['0', '20', '40', '60', '80', '100', '120', '140', '160', '180', '200']);
    expect(rulerMarks(fit, 'in').map((mark) => mark.words)).toEqual(['0', '1', '2', '3', '4', '5', '6', '7', '8']);
    expect(rulerMarks(fit, 'in')[1]!.y).toBeCloseTo(420 - 50.8, 9);
  });
});

describe('the board', () => {
  const open = async (mode: 'zones' | 'form'): Promise<[Screen<PieceBoard>, Partial<PiecePlan>[]]> => {
    new FakeRecords([PieceDraft]).openStudio();
    const screen = await Screen.open(PieceBoard, { plan: PLAN, shape: shapeOf(PLAN), colours: new Map(), mode });
    const changes: Partial<PiecePlan>[] = [];
    screen.fixture.componentInstance.changed.subscribe((change) => changes.push(change));
    return [screen, changes];
  };
  const slider = (screen: Screen<PieceBoard>, name: string): HTMLElement =>
    screen.all('[role="slider"]').find((one) => one.getAttribute('aria-label') === name)!;
  const key = (on: HTMLElement, name: string, shiftKey = false): boolean =>
    on.dispatchEvent(new KeyboardEvent('keydown', { key: name, shiftKey, cancelable: true, bubbles: true }));

  it('every drag has its keys: arrows by one, with Shift by five', async () => {
    const [screen, changes] = await open('zones');
    key(slider(screen, 'Upper edge of the bare foot'), 'ArrowUp');
    key(slider(screen, 'Upper edge of the bare foot'), 'ArrowDown', true);
    expect(changes).toEqual([{ waxFootMm: 11 }, { waxFootMm: 5 }]);
  });

  it('two presses before the page is drawn again are two steps', async () => {
    const [screen] = await open('zones');
    const draft = TestBed.inject(PieceDraft);
    draft.open(piece({ waxFootMm: PLAN.waxFootMm }));
    screen.fixture.componentInstance.changed.subscribe((change) => draft.plan(change));
    const edge = slider(screen, 'Upper edge of the bare foot');
    for (let press = 0; press < 3; press++) key(edge, 'ArrowUp');
    expect(draft.body()!.plan.waxFootMm).toBe(PLAN.waxFootMm + 3);
  });

  it('it is drawn as large as it can be: what lies where is told in the list, not beside it', async () => {
    const [screen] = await open('zones');
    expect(screen.all('text.zone')).toHaveLength(0);
  });

  it('points move both ways, and are told across and up', async () => {
    const [screen, changes] = await open('form');
    const point = slider(screen, 'Point 3');
    expect(point.getAttribute('aria-valuetext')).toBe('86 mm across, 25 mm up');
    key(point, 'ArrowRight');
    expect(changes[0]!.form!.points[2]).toEqual({ radiusMm: 44, heightMm: 25 });
  });

  it('C, + and Delete are asked for at a point, and other keys pass on', async () => {
    const [screen] = await open('form');
    const asked: unknown[] = [];
    screen.fixture.componentInstance.pointKey.subscribe((one) => asked.push(one));
    for (const name of ['c', '+', 'Delete']) key(slider(screen, 'Point 3'), name);
    expect(asked).toEqual([
      { at: 2, key: 'corner' },
      { at: 2, key: 'add' },
      { at: 2, key: 'delete' },
    ]);
    expect(key(slider(screen, 'Point 3'), 'x')).toBe(true);
  });

  it('a ruler stands beside the form, and the cut wall is the mirrored outline', async () => {
    const [screen] = await open('form');
    expect(screen.all('.rule-text').map((one) => one.textContent!.trim())).toEqual(['0', '10', '20', '30', '40', '50', '60', '70', '80', '90']);
    const corners = (part: string): number[][] =>
      screen
        .all(part)[0]!
        .getAttribute('points')!
        .split(' ')
        .map((corner) => corner.split(',').map(Number));
    // The seen outside ends in two corners of the centre line.
    const outside = corners('.outline').slice(0, -2);
    expect(corners('.wall').slice(0, outside.length)).toEqual(outside.map(([x, y]) => [-x!, y]));
  });
});

describe('strips, panels and masks in section', () => {
  const drawing = new PieceDrawing(shapeOf(PLAN), PLAN, new Map([['white', '#ffffff']]), new Map());

  it('a strip is drawn over the outside with its waves, what is waxed over that', () => {
    const zones = drawing.zones('wax');
    expect(zones.map((zone) => zone.colour)).toEqual(['#999999', '#999999', '#ffffff', 'wax', 'wax']);
    // Twelve parts for an edge that waves, one for a level one.
    const corners = ({ points }: { points: string }): number => points.split(' ').length;
    expect(corners(zones[2]!)).toBeGreaterThan(corners(zones[3]!) + 15);
    zones.forEach((zone) => expect(zone.points).not.toMatch(/NaN|undefined/));
  });

  it('glazed first, the outside leaves its place free in section', () => {
    const first = { ...PLAN, strips: [{ ...PLAN.strips![0]!, first: true }] };
    const before = drawing.coats().length;
    expect(new PieceDrawing(shapeOf(first), first, new Map(), new Map()).coats().length).toBe(before + 1);
  });

  it('the section as a file stands by itself, its words safe', () => {
    const sheet = sectionSheet({
      shape: shapeOf(PLAN),
      plan: PLAN,
      colours: new Map(),
      names: new Map([['iron', 'Tinaja <&> "x"']]),
      clay: '#e4d8c2',
    });
    const svg = sectionSvg(sheet, 'Mug & more');
    const parsed = new DOMParser().parseFromString(svg, 'image/svg+xml');
    expect(parsed.querySelector('parsererror')).toBeNull();
    expect(parsed.querySelector('title')!.textContent).toBe('Mug & more');
    expect(parsed.querySelectorAll('path').length).toBe(sheet.paths.length + sheet.leads.length);
    expect(svg).toContain('Tinaja &lt;&amp;&gt; &quot;x&quot;');
    expect(svg).not.toMatch(/NaN|undefined/);
  });
});
