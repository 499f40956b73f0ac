import type { BenchEvent } from '@cazuela/contract';

/** What each kind of step is called, where only the step itself is known and not what it was done to. */
const STEP_WORDS: Readonly<Record<BenchEvent['event']['type'], string>> = {
  respiratorOn: 'Respirator on',
  lineWeighed: 'A powder weighed',
  loadWeighed: 'A load of a powder weighed',
  lineSkipped: 'A powder skipped',
  waterPoured: 'Water poured into the batch',
  batchRaised: 'The batch made larger',
  lineSubstituted: 'A powder put in place of another',
  checked: 'A check',
  noted: 'A note',
  setAside: 'The batch set aside',
  undone: 'A step taken back',
  batchFinished: 'The batch made a bucket',
  filled: 'The bucket filled',
  sgMeasured: 'SG measured',
  volumeMeasured: 'Level measured',
  waterAdded: 'Water added',
  waterPouredOff: 'Water poured off',
  powderAdded: 'Powder added',
  glazeTaken: 'Glaze taken',
  stirred: 'Stirred',
  dropsAdded: 'Drops added',
  gumAdded: 'Gum added',
  swirlTimed: 'A swirl timed',
  flowTimed: 'The flow cup timed',
  dripsCounted: 'Drips counted',
  nailLooked: 'A look at the nail',
  lidSet: 'The lid set',
  codeRead: 'The label read',
  contaminated: 'Something fell in',
  stepDone: 'A step of the day done',
  stepSkipped: 'A step of the day skipped',
  notDryYet: 'Not dry yet',
};

/** Figures of a step and the unit each is noted in. */
const FIGURES: readonly (readonly [field: string, unit: string])[] = [
  ['grams', ' g'],
  ['millilitres', ' mL'],
  ['volumeMl', ' mL'],
  ['waterGrams', ' g of water'],
  ['sg', ''],
  ['seconds', ' s'],
  ['drops', ' drops'],
  ['drips', ' drips'],
  ['minutes', ' min'],
  ['factor', ' times'],
];

/** A step in a few words with its figures and its note, e.g. “Water added, 150 g”. */
export function stepWords(event: { type: string }): string {
  const fields = event as unknown as Record<string, unknown>;
  const name = Object.hasOwn(STEP_WORDS, event.type) ? STEP_WORDS[event.type as keyof typeof STEP_WORDS] : 'A step of another version';
  const figures = FIGURES.flatMap(([field, unit]) => (typeof fields[field] === 'number' ? [`${figure(fields[field])}${unit}`] : []));
  const parts = Array.isArray(fields['parts'])
    ? fields['parts'].flatMap((part: { name?: unknown; grams?: unknown }) =>
        typeof part.name === 'string' && typeof part.grams === 'number' ? [`${part.name} ${figure(part.grams)} g`] : [],
      )
    : [];
  const text = typeof fields['text'] === 'string' ? [`“${fields['text']}”`] : [];
  return [name, ...figures, ...parts, ...text].join(', ');
}

const figure = (value: number): string => value.toLocaleString('en-GB', { maximumSignificantDigits: 6 });
