import { PIECE_SHAPES, type Layer, type PiecePlan } from '@cazuela/core';
import { COAT_EXAGGERATION } from './coats';
import { PieceDrawing } from './piece-drawing';

const coat = (id: string, coatMm: number): Layer => ({ id, bucketId: id, method: 'dip', coatMm });
const plan = (change: Partial<PiecePlan> = {}): PiecePlan => ({
  shapeId: 'cup',
  zones: { inside: [coat('white', 0.4)], outside: [coat('white', 0.4), coat('blue', 0.6)], rim: [], foot: [] },
  waxFootMm: 10,
  rimBandMm: 20,
  order: [],
  putAside: [],
  ...change,
});
const COLOURS = new Map([
  ['white', '#ffffff'],
  ['blue', '#25305c'],
]);
const NAMES = new Map([
  ['white', 'Leche de Higo'],
  ['blue', 'Noche Honda'],
]);
const draw = (of = plan(), shapeId = 'cup'): PieceDrawing =>
  new PieceDrawing(
    PIECE_SHAPES.find((shape) => shape.id === shapeId)!,
    of,
    COLOURS,
    NAMES,
  );

describe('a piece in section', () => {
  it.each(PIECE_SHAPES.map((shape) => shape.id))('%s fits its sheet, and no path has a hole in its numbers', (shapeId) => {
    const drawing = draw(plan(), shapeId);
    expect(drawing.fit.height).toBeLessThanOrEqual(352);
    const lines = [drawing.outside(), drawing.wall(), ...[...drawing.zones('wax'), ...drawing.coats()].map((one) => one.points)];
    lines.forEach((line) => expect(line).toMatch(/^-?[\d.]+,-?[\d.]+( -?[\d.]+,-?[\d.]+)+$/));
  });

  it('the wall is cut on the left: out along the outside, back along the inside, through the drain hole where there is one', () => {
    const corners = draw()
      .wall()
      .split(' ')
      .map((corner) => corner.split(',').map(Number));
    expect(corners.every(([x]) => x! <= 0)).toBe(true);
    // From the foot on the shelf round to the ring that stands on it.
    expect(corners.at(-1)![1]).toBe(corners[0]![1]);
    const planter = draw(plan(), 'planter');
    const holeMm = PIECE_SHAPES.find((shape) => shape.id === 'planter')!.holeMm!;
    const edge = Math.round((10 * -holeMm * planter.fit.scale) / 2) / 10;
    expect(
      planter
        .wall()
        .split(' ')
        .filter((corner) => corner.startsWith(`${edge},`)),
    ).toHaveLength(2);
  });

  it('every coat is drawn exactly ten times as thick as it is, upper ones further out', () => {
    const drawing = draw();
    const [lower, upper] = drawing.coats();
    expect(lower!.width).toBeCloseTo(0.4 * COAT_EXAGGERATION * drawing.fit.scale, 9);
    expect(upper!.width).toBeCloseTo(0.6 * COAT_EXAGGERATION * drawing.fit.scale, 9);
    const firstX = (points: string): number => Math.abs(Number(points.split(',')[0]));
    expect(firstX(upper!.points)).toBeGreaterThan(firstX(lower!.points));
  });

  it('the outside shows its uppermost glaze, wax over the foot', () => {
    expect(
      draw()
        .zones('wax')
        .map((zone) => zone.colour),
    ).toEqual(['#25305c', 'wax']);
    expect(
      draw(plan({ waxFootMm: 0 }))
        .zones('wax')
        .map((zone) => zone.colour),
    ).toEqual(['#25305c']);
  });

  it('labels say zone, glaze and coat; many coats are counted', () => {
    expect(
      draw()
        .labels()
        .map((label) => label.how),
    ).toEqual(['Leche de Higo 0.4 mm', '2 coats']);
    const three = plan({ zones: { inside: [], outside: [], rim: [coat('a', 0.1), coat('b', 0.1), coat('c', 0.1)], foot: [] } });
    expect(
      draw(three)
        .labels()
        .map((label) => label.how),
    ).toEqual(['3 coats']);
  });

  it.each(['cup', 'bowl', 'platter', 'planter'])('on a %s the line to the inside crosses the wall and ends in the coat there', (shapeId) => {
    const drawing = draw(plan(), shapeId);
    const inside = drawing.labels().find((label) => label.key === 'inside')!;
    const heightMm = drawing.fit.tallMm * 0.72;
    const { wallMm } = PIECE_SHAPES.find((shape) => shape.id === shapeId)!;
    expect(inside.x).toBeLessThan(-drawing.halfWidthAt(heightMm));
    // Measured straight across, a wall is never thinner than along its normal.
    expect(inside.fromX).toBeGreaterThan(-drawing.halfWidthAt(heightMm) + 0.99 * wallMm * drawing.fit.scale);
    expect(inside.fromX).toBeLessThan(0);
  });

  it('a band higher than the piece covers it down to the wax and no further', () => {
    const whole = draw(plan({ rimBandMm: 500, zones: { inside: [], outside: [], rim: [coat('blue', 0.3)], foot: [] } }));
    expect(whole.zones('wax')).toHaveLength(2);
  });
});
