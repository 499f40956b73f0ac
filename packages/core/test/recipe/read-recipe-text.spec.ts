import fc from 'fast-check';
import { readRecipeText } from '../../src/index';
import { COPPER, KAOLIN, POWDERS, SILICA, WHITING } from '../powders';

const read = (text: string) => readRecipeText({ text, powders: POWDERS });
const short = (text: string): string[] => read(text).lines.map((line) => `${line.powder.name} ${line.percent} ${line.part}`);

describe('a recipe pasted from a spreadsheet', () => {
  it.each([
    ['tabs', 'Silica\t30\nKaolin\t20'],
    ['semicolons and decimal commas', 'Silica;30,0\r\nKaolin;20,0'],
    ['one space', 'Silica 30\nKaolin 20 %'],
    ['the figure first', '30 Silica\n20% Kaolin'],
    ['bars, capitals and a byte order mark', '\ufeffSILICA | 30\nkaolin | 20'],
    ['three columns, rows counted', '1\tSilica\t30\n2.\tKaolin\t20'],
    ['columns behind the figure', 'Silica\t30\t300 g\tSpain\nKaolin\t20\t200 g\t'],
    ['grams and parts', 'Silica 30 g\nKaolin 20 parts'],
    ['commas without a space', 'Silica,30\n20,Kaolin'],
    ['a heading and a sum', 'Material\tPercent\nSilica\t30\nKaolin\t20\nTotal\t50'],
  ])('with %s', (_name, text) => {
    expect(short(text)).toEqual(['Silica 30 base', 'Kaolin 20 base']);
    expect(read(text).unread).toEqual([]);
  });

  it.each([
    ['an empty line', 'Silica 30\n\nCopper carbonate 2.5'],
    ['a heading', 'Silica 30\nAdditions:\nCopper carbonate 2.5'],
    ['a plus', 'Silica 30\n+ Copper carbonate 2.5'],
  ])('what stands after %s goes over the base', (_name, text) => {
    expect(short(text)).toEqual(['Silica 30 base', 'Copper carbonate 2.5 addition']);
  });

  it('a name with a comma in it is one powder', () => {
    const bought = { ...SILICA, id: 'bought', name: 'Clear base, bought' };
    const { lines, unread } = readRecipeText({ text: 'Clear base, bought 100\nclear base, bought;6 %', powders: [...POWDERS, bought] });
    expect(lines.map(({ powder, percent }) => [powder.name, percent])).toEqual([
      ['Clear base, bought', 100],
      ['Clear base, bought', 6],
    ]);
    expect(unread).toEqual([]);
  });

  it('a name cut short is understood when only one powder begins so', () => {
    expect(short('Whit 12')).toEqual(['Whiting 12 base']);
  });

  it.each([
    ['Moon dust 12', 'There is no powder “Moon dust”'],
    ['Silica\tplenty', '“plenty” is not a percentage'],
    ['Silica\t-4', 'is not a percentage'],
    ['Silica', 'needs a powder and a percentage'],
    ['Silica\t3 lb', 'is not a percentage'],
  ])('“%s” is told by its number, the others are read', (bad, words) => {
    const { lines, unread } = read(`Kaolin 20\n${bad}\nWhiting 10`);
    expect(lines.map((line) => line.powder)).toEqual([KAOLIN, WHITING]);
    expect(unread).toHaveLength(1);
    expect(unread[0]).toMatchObject({ number: 2 });
    expect(unread[0]!.message).toContain(words);
  });

  it('a name the studio learnt is its powder, in a line with or without columns; one nobody knows is named', () => {
    const known = [{ ...SILICA, aliases: ['our flint', 'flour, fine'] }];
    expect(readRecipeText({ text: 'Our Flint\t30\nflour, fine 20', powders: known }).lines.map((line) => [line.powder.id, line.percent])).toEqual([
      [SILICA.id, 30],
      [SILICA.id, 20],
    ]);
    expect(readRecipeText({ text: 'moon dust 12', powders: known }).unread[0]).toMatchObject({ name: 'moon dust' });
    expect(readRecipeText({ text: 'Silica plenty', powders: known }).unread[0]).not.toHaveProperty('name');
  });

  it('a name that may be two powders is asked about', () => {
    const two = [
      { ...SILICA, id: 'a', name: 'Frit one' },
      { ...SILICA, id: 'b', name: 'Frit two' },
    ];
    expect(readRecipeText({ text: 'Frit 20', powders: two }).unread[0]?.message).toContain('Frit one or Frit two');
  });

  it('never throws and never loses a line, whatever is pasted', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        const { lines, unread } = read(text);
        lines.forEach((line) => expect(Number.isFinite(line.percent)).toBe(true));
        expect(new Set([...lines, ...unread].map((line) => line.number)).size).toBe(lines.length + unread.length);
      }),
    );
  });

  it('what a recipe says is read back as it was', () => {
    const line = fc.record({
      powder: fc.constantFrom(SILICA, KAOLIN, WHITING, COPPER),
      percent: fc.double({ min: 0, max: 100, noNaN: true }).map((value) => Number(value.toFixed(2))),
    });
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 8 }), (list) => {
        const { lines } = read(list.map(({ powder, percent }) => `${powder.name}\t${percent}`).join('\n'));
        expect(lines.map(({ powder, percent }) => ({ powder, percent }))).toEqual(list);
      }),
    );
  });
});
