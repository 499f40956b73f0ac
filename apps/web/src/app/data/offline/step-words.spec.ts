import { stepWords } from './step-words';

describe('a step in a few words', () => {
  it.each([
    [{ type: 'waterAdded', grams: 1500 }, 'Water added, 1,500 g'],
    [{ type: 'sgMeasured', sg: 1.4712 }, 'SG measured, 1.4712'],
    [{ type: 'powderAdded', parts: [{ name: 'Silica', grams: 2e6 }] }, 'Powder added, Silica 2,000,000 g'],
    [
      {
        type: 'glazeTaken',
        millilitres: 900,
        parts: [
          { name: 'Silica', grams: 80 },
          { name: 'Kaolin', grams: 20.5 },
        ],
      },
      'Glaze taken, 900 mL, 2 powders, 100.5 g together',
    ],
    [{ type: 'noted', text: 'lumps' }, 'A note, “lumps”'],
    [{ type: 'toString' }, 'A step of another version'],
    [{ type: 'glazeTaken', parts: 'none' }, 'Glaze taken'],
  ])('%j is “%s”', (event, words) => {
    expect(stepWords(event)).toBe(words);
  });
});
