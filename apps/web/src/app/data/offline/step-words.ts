import type { BenchEvent } from '@cazuela/contract';
import * as z from 'zod';

/** Names for kinds of events, where only the event is known and not the record. */
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
  stateTold: 'How the liquid stands',
  flowTimed: 'The flow cup timed',
  dripsCounted: 'Drips counted',
  nailLooked: 'A look at the nail',
  lidSet: 'The lid set',
  codeRead: 'The label read',
  contaminated: 'Something fell in',
  stepDone: 'A step of the day done',
  stepSkipped: 'A step of the day skipped',
  feltDry: 'Felt dry',
  notDryYet: 'Not dry yet',
  stepBegun: 'A step of the day begun',
  piecesOff: 'Pieces left out of a lot',
  lotSplit: 'A lot split in two',
  bucketShort: 'A bucket is short',
  bucketBack: 'A bucket is there again',
  personAway: 'Somebody left',
  personBack: 'Somebody is back',
  paused: 'A pause',
  lotFirst: 'A lot comes first',
  lotAdded: 'A lot put on a load',
  lotRemoved: 'A lot taken off a load',
  lotChanged: 'A lot of a load changed',
  placesSet: 'Places of a load',
  pieceMoved: 'A piece moved on its shelf',
  pieceTakenOut: 'A piece taken off its shelf',
  shelfAdded: 'A shelf put in',
  shelfRemoved: 'A shelf taken out',
  shelvesOrdered: 'Shelves in another order',
  fired: 'A load fired',
  kilnRead: 'The kiln’s display read',
  meterRead: 'The meter read',
  piecesRead: 'Fired pieces read',
  piecesPhotographed: 'A photo of fired pieces',
  tileRead: 'A fired tile read',
};

/** Figures of an event and their units. */
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
  ['celsius', ' °C'],
  ['kilowattHours', ' kWh'],
];

/** Returns an event in a few words with its figures and its note, e.g. “Water added, 150 g”. */
export function stepWords(event: { type: string }): string {
  const fields = event as unknown as Record<string, unknown>;
  const name = Object.hasOwn(STEP_WORDS, event.type) ? STEP_WORDS[event.type as keyof typeof STEP_WORDS] : 'A step of another version';
  const figures = FIGURES.flatMap(([field, unit]) => (typeof fields[field] === 'number' ? [`${figure(fields[field])}${unit}`] : []));
  const parts = powderWords(fields['parts']);
  const text = typeof fields['text'] === 'string' ? [`“${fields['text']}”`] : [];
  return [name, ...figures, ...parts, ...text].join(', ');
}

const figure = (value: number): string => value.toLocaleString('en-GB', { maximumSignificantDigits: 5 });

/** One powder by its name; of several how many, and their weight together. */
function powderWords(parts: unknown): string[] {
  const read = z.array(z.object({ name: z.string(), grams: z.number() })).safeParse(parts);
  if (!read.success || read.data.length === 0) return [];
  const [first, ...more] = read.data;
  if (more.length === 0) return [`${first!.name} ${figure(first!.grams)} g`];
  return [`${read.data.length} powders, ${figure(read.data.reduce((sum, { grams }) => sum + grams, 0))} g together`];
}
