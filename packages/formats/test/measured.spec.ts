import type { CoatDipBody, RunnerTile } from '@cazuela/contract';
import { dipsToCsv, runnersToCsv } from '../src';
import { readTable } from '../src/csv';

const ID = '0198c0de-0000-7000-8000-00000000000a';
const DIP = {
  bucketId: ID,
  glazeId: ID,
  bodyId: ID,
  at: '2026-03-01T09:30:00.000Z',
  by: 'Inés',
  seconds: 3,
  sg: 1.452,
  density: 2.61,
  state: 'normal',
  bisqueCone: '05',
  earthenware: false,
  wallMm: 5,
  faces: 2,
  reading: { kind: 'thickness', coatMm: 0.52 },
} satisfies CoatDipBody;
const NAMES = { bucket: 'B1 Leche de Higo', recipe: 'Leche de Higo', body: 'Barro Claro' };
const LOWER = { bucketId: ID, glazeId: ID, glazeName: 'Tinaja', coatMm: 0.4, meltsTo: 0.5 };
const TILE: RunnerTile = {
  id: ID,
  version: 1,
  code: 'R4',
  createdAt: '2026-03-01T09:30:00.000Z',
  body: { layers: [LOWER], bandMm: 30, by: 'Bruno', notes: '' },
};
const first = (text: string): Readonly<Record<string, string>> => readTable(text).rows[0]!.cells;

describe('what was measured, as a table', () => {
  it('a thickness is told as it was read, a weight with its area and scale', () => {
    expect(first(dipsToCsv([{ ...DIP, ...NAMES }]))).toMatchObject({ reading: 'thickness', coat_mm: '0.52', gain_g: '', area_cm2: '' });
    const reading = { kind: 'dryWeight', gainGrams: 8.1, areaCm2: 100, divisionGrams: 0.01 } as const;
    const weighed = first(dipsToCsv([{ ...DIP, ...NAMES, reading }]));
    expect(weighed).toMatchObject({ reading: 'dry weight', gain_g: '8.1', area_cm2: '100', division_g: '0.01', coat_mm: '' });
  });

  it('what it was made in stands with it: bisque as a word no spreadsheet makes a number of, way, passes, the coat beneath', () => {
    expect(first(dipsToCsv([{ ...DIP, ...NAMES }]))).toMatchObject({
      bucket: 'B1 Leche de Higo',
      bisque: 'cone 05',
      way: 'dip',
      faces: '2',
      under_mm: '',
    });
    const before = { underMm: 0.3, underDryness: 1, wallTakenMm: 0.2, thirst: 0.8 };
    const brushed = first(dipsToCsv([{ ...DIP, ...NAMES, method: 'brushLoaded', passes: 3, seconds: 0, before }]));
    expect(brushed).toMatchObject({ way: 'brush, loaded', passes: '3', seconds: '0', under_mm: '0.3' });
  });

  it('a runner tile that waits for its firing has no run, not one of nothing', () => {
    expect(first(runnersToCsv([TILE]))).toMatchObject({ tile: 'R4', glaze: 'Tinaja', coat_mm: '0.4', over: '', fired_to: '', ran_mm: '' });
    const still = { ...TILE, body: { ...TILE.body, runMm: 0, cone: '6', cooling: 'slow' as const, place: 'hot' as const, holdMinutes: 15 } };
    expect(first(runnersToCsv([still]))).toMatchObject({ ran_mm: '0', fired_to: 'cone 6', cooling: 'slow', shelf: 'hot', hold_min: '15' });
  });

  it('two over one another stand in one row, the lower one first', () => {
    const layers = [LOWER, { ...LOWER, glazeName: 'Ceniza Clara', coatMm: 0.35 }];
    expect(first(runnersToCsv([{ ...TILE, body: { ...TILE.body, layers } }]))).toMatchObject({
      glaze: 'Tinaja',
      coat_mm: '0.4',
      over: 'Ceniza Clara',
      over_coat_mm: '0.35',
    });
  });
});
