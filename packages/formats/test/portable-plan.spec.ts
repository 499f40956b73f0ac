import fc from 'fast-check';
import { v7 as uuid } from 'uuid';
import type { PieceBody } from '@cazuela/contract';
import { pieceFromFile, planToFile, readPlanFile, type PlanFile } from '../src/index';

const [ASH, IRON, NIEVE] = [uuid(), uuid(), uuid()];
const coat = (bucketId: string, coatMm = 0.4) => ({ id: uuid(), bucketId, method: 'dip' as const, coatMm });
const BODY: PieceBody = {
  name: 'Jarrón',
  bodyId: uuid(),
  count: 7,
  plan: {
    shapeId: 'vase',
    zones: { inside: [coat(IRON)], outside: [coat(IRON), coat(ASH, 0.3)], rim: [], foot: [] },
    strips: [{ id: uuid(), fromMm: 40, toMm: 70, layers: [{ id: uuid(), bucketId: NIEVE, method: 'brush', coatMm: 0.2, coatingKind: 'slip' }] }],
    decoratingColours: [{ id: NIEVE, name: 'Nieve', colour: '#FFFFFF', coatingKind: 'slip' }],
    waxFootMm: 12,
    rimBandMm: 20,
    order: [],
    gumIn: [ASH],
    thinned: [{ bucketId: ASH, sg: 1.4 }],
    refire: true,
    fired: { outside: [coat(IRON, 0.3)] },
    versions: [{ bucketId: IRON, recipeVersionId: uuid(), number: 3 }],
    putAside: [{ rule: 'M7', reason: 'only one in the kiln' }],
  },
  variations: { rule: { palette: [ASH, IRON], places: ['outside'] }, pieces: [{ buckets: { outside: ASH } }] },
};
const GLAZES = [
  { ref: ASH, name: 'Ceniza Clara', colour: '#CFC6AD' },
  { ref: IRON, name: 'Tinaja', colour: '#9A5A20', recipe: 'Tinaja', recipeVersion: 3 },
  { ref: uuid(), name: 'Humo', colour: '#888888' },
];
const written = (body = BODY): PlanFile =>
  planToFile({ body, clay: 'Barro Tostado', glazes: GLAZES, studio: 'Taller La Perdiz', now: '2026-11-26T08:00:00.000Z' });
const read = (change: (file: Record<string, unknown>) => void): ReturnType<typeof readPlanFile> => {
  const raw = JSON.parse(JSON.stringify(written())) as Record<string, unknown>;
  change(raw);
  return readPlanFile(JSON.stringify(raw));
};

describe('a piece plan as a file', () => {
  it('names only the glazes it uses, and keeps at home what only this studio knows', () => {
    const file = written();
    expect(file.glazes.map((glaze) => glaze.name)).toEqual(['Ceniza Clara', 'Tinaja']);
    expect(file.plan.versions).toBeUndefined();
    expect(file.clay).toBe('Barro Tostado');
  });

  it('of version 1 is still read: its fields had other names, and the plan is the same', () => {
    const old = JSON.stringify({ ...written(), version: 1 })
      .replaceAll('"method":', '"way":')
      .replaceAll('"coatingKind":', '"stuff":')
      .replaceAll('"decoratingColours":', '"pots":');
    expect(readPlanFile(old)).toEqual({ kind: 'ok', file: written() });
  });

  it('comes back as it went, its glazes now the buckets of the studio that takes it in', () => {
    const file = readPlanFile(JSON.stringify(written()));
    if (file.kind !== 'ok') throw new Error(file.message);
    const [ash, iron, bodyId] = [uuid(), uuid(), uuid()];
    const piece = pieceFromFile(file.file, {
      bodyId,
      buckets: new Map([
        [ASH, ash],
        [IRON, iron],
      ]),
    });
    expect(piece.plan.zones.outside.map((layer) => layer.bucketId)).toEqual([iron, ash]);
    expect(piece.plan.gumIn).toEqual([ash]);
    expect(piece.plan.thinned).toEqual([{ bucketId: ash, sg: 1.4 }]);
    expect(piece.plan.fired!.outside![0]!.bucketId).toBe(iron);
    expect(piece.plan.strips![0]!.layers[0]!.bucketId).toBe(NIEVE);
    expect(piece.variations).toEqual({ rule: { palette: [ash, iron], places: ['outside'] }, pieces: [{ buckets: { outside: ash } }] });
    expect({ ...piece.plan, zones: undefined, gumIn: undefined, thinned: undefined, fired: undefined }).toEqual({
      ...written().plan,
      zones: undefined,
      gumIn: undefined,
      thinned: undefined,
      fired: undefined,
    });
    expect(piece).toMatchObject({ name: 'Jarrón', count: 7, bodyId });
  });

  it('whatever is planned: written, read and written again it is the same file', () => {
    const mm = fc.double({ min: 0.05, max: 2, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(mm, { maxLength: 3 }),
        fc.integer({ min: 1, max: 500 }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (coats, count, waxFootMm) => {
          const plan = { ...BODY.plan, waxFootMm, zones: { ...BODY.plan.zones, outside: coats.map((one) => coat(IRON, one)) } };
          const file = written({ ...BODY, count, plan });
          const again = readPlanFile(JSON.stringify(file));
          expect(again.kind === 'ok' && again.file).toEqual(JSON.parse(JSON.stringify(file)));
        },
      ),
    );
  });

  it.each<[string, (file: Record<string, unknown>) => void, string]>([
    ['another file of ours', (file) => (file['format'] = 'cazuela'), 'holds no piece plan'],
    ['a later version', (file) => (file['version'] = 9), 'another version of the format'],
    ['a field nobody knows', (file) => (file['magic'] = 1), 'magic'],
    ['a coat of a glaze it does not name', (file) => (file['glazes'] = []), 'a glaze that the file does not name'],
    ['a form that cannot be', (file) => ((file['plan'] as { waxFootMm: number }).waxFootMm = 900), 'no height is left'],
    ['a count of none', (file) => (file['count'] = 0), 'At least one piece.'],
  ])('%s is refused in a sentence', (_name, change, words) => {
    const answer = read(change);
    expect(answer.kind === 'refused' && answer.message).toContain(words);
  });

  it('what is no JSON at all is said', () => {
    expect(readPlanFile('name,glaze\nx,y')).toEqual({ kind: 'refused', message: 'This is no JSON file: choose a plan that was written here.' });
    expect(readPlanFile('null').kind).toBe('refused');
  });
});
