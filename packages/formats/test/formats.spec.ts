import fc from 'fast-check';
import { CONES } from '@cazuela/core';
import { readTable, writeTable } from '../src/csv';
import {
  decodeText,
  batchesToCsv,
  checkAgainst,
  FORMAT_NAME,
  FORMAT_VERSION,
  importParts,
  type ImportRow,
  powdersToCsv,
  readFile,
  recipesToCsv,
  type PortableBatch,
  type PortablePowder,
  type PortableRecipe,
} from '../src/index';

describe('a file on its way', () => {
  const row = (letters: number): ImportRow => ({ kind: 'powder', powder: { name: 'x'.repeat(letters) } as PortablePowder });

  it('goes in parts that are small enough, with every row once and in its place', () => {
    const rows = Array.from({ length: 700 }, (_, at) => row(at * 9));
    const parts = importParts(rows);
    expect(parts.flatMap((part) => part.rows)).toEqual(rows);
    let next = 0;
    for (const part of parts) {
      expect(part.from).toBe(next);
      next += part.rows.length;
      expect(Buffer.byteLength(JSON.stringify(part))).toBeLessThan(600_000);
      expect(part.rows.length).toBeLessThanOrEqual(200);
    }
  });

  it('a row that is larger than a part goes alone', () => {
    expect(importParts([row(10), row(700_000), row(10)]).map(({ from, rows }) => [from, rows.length])).toEqual([
      [0, 1],
      [1, 1],
      [2, 1],
    ]);
  });
});

describe('a table for any spreadsheet', () => {
  it.each([
    ['=1+1', "'=1+1"],
    ['a;=cmd()', "a;'=cmd()"],
    ['two\n+lines', "two\n'+lines"],
    ['tab\t@name', "tab\t'@name"],
    ['plain; words', 'plain; words'],
  ])('%j is written so that nothing runs, and read back as it was', (name, written) => {
    const table = writeTable(['name'], [[name]]);
    expect(table).toContain(written);
    expect(readTable(table).rows[0]!.cells['name']).toBe(name);
  });
});

const NOW = '2026-03-10T10:00:00.000Z';
const SHELF = { powderNames: ['Silica', 'Kaolin', 'Copper carbonate'], recipeNames: ['Tinaja'] };

/** Names and notes with everything that trips a spreadsheet. */
const words = fc
  .string({ unit: fc.constantFrom('a', 'É', 'ñ', ' ', ',', ';', '"', "'", '=', '+', '-', '@', '1', '·'), minLength: 1, maxLength: 20 })
  .map((text) => text.trim())
  .filter((text) => text.length > 0);
const percent = fc.double({ min: 0, max: 1000, noNaN: true }).map((value) => (Object.is(value, -0) ? 0 : value));
const body = fc.record({
  name: words,
  lines: fc.array(fc.record({ powder: words, part: fc.constantFrom('base' as const, 'addition' as const, 'stain' as const), percent }), {
    maxLength: 6,
  }),
  coneLow: fc.constantFrom(...CONES.map(({ cone }) => cone)),
  coneHigh: fc.constantFrom(...CONES.map(({ cone }) => cone)),
  atmosphere: fc.constantFrom('oxidation' as const, 'reduction' as const, 'either' as const),
  surface: fc.constantFrom('gloss' as const, 'matt' as const),
  colour: fc.constant('#7FA08C'),
  sgLow: fc.double({ min: 1.2, max: 1.4, noNaN: true }),
  sgHigh: fc.double({ min: 1.41, max: 1.8, noNaN: true }),
  movement: fc.constantFrom('stays' as const, 'unknown' as const),
  foodTested: fc.boolean(),
  notes: words,
});
const product = fc.constantFrom(
  {},
  {
    product: {
      kind: 'base' as const,
      label: { powder: { value: 1, unit: 'lb' as const }, water: { value: 1.5, unit: 'US pt' as const } },
      packGrams: 2500,
      packPrice: 12.5,
    },
  },
  { product: { kind: 'jar' as const, coats: 3, jarMl: 470, makerSaysFoodSafe: 'yes' as const } },
);
const recipe: fc.Arbitrary<PortableRecipe> = fc
  .tuple(body, product, words)
  .map(([one, what, reason]) => ({ versions: [{ reason, changedAt: NOW, body: { ...one, ...what } }] }));
const distinct = (recipes: PortableRecipe[]): PortableRecipe[] => [
  ...new Map(recipes.map((one) => [one.versions[0]!.body.name.toLowerCase(), one])).values(),
];

const values = <T>(read: { value: T }[]): T[] => read.map(({ value }) => value);

describe('a file written here and read again', () => {
  it('holds the same thousand recipes as CSV', () => {
    fc.assert(
      fc.property(fc.array(recipe, { minLength: 1, maxLength: 5 }).map(distinct), (recipes) => {
        const read = readFile(recipesToCsv(recipes), NOW);
        expect(read.problems).toEqual([]);
        expect(values(read.recipes)).toEqual(recipes);
      }),
      { numRuns: 250 },
    );
  });

  it('holds the same as JSON, versions and all', () => {
    fc.assert(
      fc.property(fc.array(recipe, { minLength: 1, maxLength: 4 }).map(distinct), (recipes) => {
        const twice = recipes.map(({ versions }) => ({ versions: [{ ...versions[0]!, reason: 'First' }, versions[0]!] }));
        const file = { format: FORMAT_NAME, version: FORMAT_VERSION, studio: 'Taller', writtenAt: NOW, powders: [], recipes: twice, batches: [] };
        const read = readFile(JSON.stringify(file), NOW);
        expect(read.problems).toEqual([]);
        expect(values(read.recipes)).toEqual(twice);
      }),
      { numRuns: 100 },
    );
  });

  it('holds the same powders: losses below nothing, oxides, hazards, prices', () => {
    const powders: PortablePowder[] = [
      {
        name: 'Silicon carbide',
        role: 'colourant',
        densityGMl: 3.21,
        rawClay: 0,
        shrinkWeight: 0,
        loiPercent: -50,
        oxides: { SiO2: 150 },
        hazards: ['dust', 'blisters'],
      },
      {
        name: '=Clay, "ours"',
        role: 'clay',
        densityGMl: 2.6,
        rawClay: 1,
        shrinkWeight: 1.5,
        loiPercent: 12,
        sieveMesh: 60,
        oxides: {},
        hazards: [],
        pricePerKg: 1.25,
        lowGrams: 2000,
      },
    ];
    const csv = powdersToCsv(powders);
    expect(values(readFile(csv, NOW).powders)).toEqual(powders);
    // A spreadsheet never runs what was a name.
    expect(csv).toContain(`"'=Clay, ""ours"""`);
    expect(csv).toContain('-50');
  });

  it('holds the same batches, skipped lines and all', () => {
    const batches: PortableBatch[] = [
      {
        recipe: 'Tinaja',
        version: 2,
        weighedAt: NOW,
        by: 'Inés',
        waterGrams: 1000,
        waterInGrams: 998.5,
        expectedSg: 1.45,
        lines: [
          { powder: 'Silica', part: 'base', targetGrams: 600, inGrams: 600.2 },
          { powder: 'Copper carbonate', part: 'addition', targetGrams: 20, inGrams: null },
        ],
      },
    ];
    expect(values(readFile(batchesToCsv(batches), NOW).batches)).toEqual(batches);
  });
});

describe('a file from a spreadsheet', () => {
  const lines = ['recipe;part;powder;percent', 'Nueva;base;Silica;60,5', ';base;Kaolin;39,5', ';addition;Copper carbonate;2,25'];
  it.each([
    ['semicolons and decimal commas', lines.join('\n')],
    ['Windows line ends and a byte order mark', `\ufeff${lines.join('\r\n')}\r\n`],
    ['tabs', lines.join('\n').replaceAll(';', '\t')],
    ['commas and points', lines.join('\n').replaceAll(',', '.').replaceAll(';', ',')],
    ['commas and quoted decimal commas', lines.map((line) => line.replace(/(\d+,\d+)/, '"$1"').replaceAll(';', ',')).join('\n')],
    ['empty rows between', lines.join('\n\n')],
  ])('with %s is read', (_name, text) => {
    const read = readFile(text, NOW);
    expect(read.problems).toEqual([]);
    expect(read.recipes[0]!.value.versions[0]!.body).toMatchObject({
      name: 'Nueva',
      lines: [
        { powder: 'Silica', part: 'base', percent: 60.5 },
        { powder: 'Kaolin', part: 'base', percent: 39.5 },
        { powder: 'Copper carbonate', part: 'addition', percent: 2.25 },
      ],
    });
  });

  it('has its broken rows told one by one, by the number the spreadsheet gives them', () => {
    const text = [
      'recipe,part,powder,percent',
      'A,base,Silica,sixty',
      ',base,Kaolin,40',
      'B,middle,Silica,100',
      'C,base,Moon dust,100',
      'D,base,Silica,100',
    ].join('\n');
    const checked = checkAgainst(readFile(text, NOW), SHELF);
    expect(checked.problems).toEqual([
      { row: 2, message: '“sixty” in the column percent is not a number.' },
      { row: 4, message: '“part” is one of: base, addition, stain.' },
      { row: 5, message: 'There is no powder “Moon dust” in your table: add it first, or write it as it stands there.' },
    ]);
  });

  it('has every broken row of one recipe told at once', () => {
    const text = ['recipe,part,powder,percent', 'A,middle,Silica,10', 'A,base,Kaolin,20', 'A,outer,Silica,30', 'A,base,Silica,-4'].join('\n');
    expect(readFile(text, NOW).problems.map((problem) => problem.row)).toEqual([2, 4, 5]);
  });

  it('is read as UTF-8, and as Latin-1 where an older spreadsheet wrote it', () => {
    const latin = Uint8Array.from('powder\nCa\u00f1a y sal', (letter) => letter.charCodeAt(0));
    expect(decodeText(latin)).toBe('powder\nCaña y sal');
    expect(decodeText(new TextEncoder().encode('Caña'))).toBe('Caña');
    expect(decodeText(Uint8Array.from([0xff, 0xfe, 0x43, 0x00]))).toBe('C');
  });

  it.each([
    ['12.5', 12.5],
    ['60.125', 60.125],
    ['12,5', 12.5],
    ['12,345', undefined],
  ])('takes %s for %s, and guesses nothing', (text, value) => {
    const read = readFile(`recipe,part,powder,percent\nA,base,Silica,"${text}"`, NOW);
    expect(read.recipes[0]?.value.versions[0]!.body.lines[0]!.percent).toBe(value);
    expect(read.problems).toHaveLength(value === undefined ? 1 : 0);
  });

  it('never overwrites: what is here already is named', () => {
    const checked = checkAgainst(readFile('recipe,part,powder,percent\ntinaja,base,silica,100', NOW), SHELF);
    expect(checked).toMatchObject({ problems: [], recipesHere: ['tinaja'], counts: { recipes: 1 } });
  });

  it.each([
    ['nothing', '', 'The file is empty.'],
    ['a letter to a friend', 'Dear Maia, the kiln is cold.', 'names no columns of ours'],
    ['half a JSON file', '{"format":"cazuela","recipes":[', 'may have been cut off'],
    ['somebody else’s JSON', '{"recipes":[]}', 'no file of Cazuela'],
    ['a file from the future', '{"format":"cazuela","version":9}', 'of version 9'],
    ['one recipe twice', 'recipe,part,powder,percent\nA,base,Silica,1\nB,base,Silica,1\na,base,Silica,1', 'stands in row 2 already'],
    ['a cone nobody has', 'recipe,part,powder,percent,cone_low\nA,base,Silica,100,77', 'There is no such cone'],
  ])('of %s is refused in a sentence', (_name, text, message) => {
    expect(
      readFile(text, NOW)
        .problems.map((problem) => problem.message)
        .join(' '),
    ).toContain(message);
  });
});
