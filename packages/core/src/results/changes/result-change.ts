/** What can be done otherwise next time. */
export const CHANGE_KINDS = [
  'thinnerCoat',
  'thickerCoat',
  'keepSeconds',
  'bringSg',
  'stir',
  'asManyCoats',
  'evenCoats',
  'otherOrder',
  'smearHairlines',
  'wipe',
  'keepWax',
  'higherEdge',
  'dryLonger',
  'softerBisque',
  'harderBisque',
  'coolerPlace',
  'hotterPlace',
  'slowerOver1000',
  'holdLonger',
  'slowerFromPeak',
  'fasterCooling',
  'slowerAt570',
  'openLater',
  'cleanBucket',
  'calcineClay',
  'closerFit',
  'moveWindow',
] as const;
export type ChangeKind = (typeof CHANGE_KINDS)[number];

/** One thing done otherwise, with what it should do. */
export interface ResultChange {
  kind: ChangeKind;
  /** The figure as it was and as it is to be, in the unit of its kind; left out where it is a yes or no. */
  from?: number | undefined;
  to?: number | undefined;
  /** The chance of the fault as it was recorded, and with this one thing changed, 0–1. */
  chanceBefore: number;
  chanceAfter: number;
}

/** What a change is made in: it becomes a new version there. A habit is only kept in the ledger. */
export type ChangedThing = 'plan' | 'window' | 'schedule' | 'kiln' | 'recipe' | 'bucket' | 'habit';

interface Kind {
  changes: ChangedThing;
  /** How much it asks of a potter beside a habit: our own guess, to choose among changes that do as much. */
  price: number;
}

const HABIT: Kind = { changes: 'habit', price: 1 };
const PLAN: Kind = { changes: 'plan', price: 1.5 };
const SCHEDULE: Kind = { changes: 'schedule', price: 2 };
const BUCKET: Kind = { changes: 'bucket', price: 1.2 };

/** Every kind with what it changes and its price. */
export const CHANGES: Readonly<Record<ChangeKind, Kind>> = {
  thinnerCoat: PLAN,
  thickerCoat: PLAN,
  keepSeconds: HABIT,
  bringSg: BUCKET,
  stir: HABIT,
  asManyCoats: HABIT,
  evenCoats: PLAN,
  otherOrder: { ...PLAN, price: 2.5 },
  smearHairlines: HABIT,
  wipe: HABIT,
  keepWax: HABIT,
  higherEdge: PLAN,
  dryLonger: PLAN,
  softerBisque: { changes: 'habit', price: 3 },
  harderBisque: { changes: 'habit', price: 3 },
  coolerPlace: PLAN,
  hotterPlace: PLAN,
  slowerOver1000: SCHEDULE,
  holdLonger: SCHEDULE,
  slowerFromPeak: SCHEDULE,
  fasterCooling: SCHEDULE,
  slowerAt570: SCHEDULE,
  openLater: { changes: 'kiln', price: 1.2 },
  cleanBucket: BUCKET,
  calcineClay: { changes: 'recipe', price: 2.5 },
  closerFit: { changes: 'recipe', price: 3 },
  moveWindow: { changes: 'window', price: 1.5 },
};
