import { setTimeout as delay } from 'node:timers/promises';
import type { Batch, Bucket, BucketSummary, Day, Recipe, RecipeVersion } from '@cazuela/contract';
import { ProvedStudio } from './proved-studio';
import { Random } from './random';

export interface CrowdCounts {
  requests: number;
  statuses: Record<string, number>;
  faults: string[];
}

const CLIENTS = 20;
const SERVERS = 2;
/** Share of answers that may be `busy`: now and then is how a crowd is told to wait; often means a lock that is held too long. */
const MOST_BUSY = 0.02;
const DATE = '2026-12-24';
/** A day holds a hundred items. */
const MOST_ITEMS = 90;

/** What a crowd needs of a studio, wherever its database is. */
export type CrowdedStudio = Pick<ProvedStudio, 'at' | 'faults' | 'close'>;

/** What all clients together were told was done. */
interface Done {
  waterGrams: number;
  powderGrams: number;
  reasons: string[];
  /** Items put onto the day. */
  items: string[];
  records: string[];
}

/**
 * Twenty clients on two servers of one database write to the same buckets, batch, day and recipe. Water and powder are conserved, no acknowledged
 * change is lost, and nobody is shown a deadlock.
 */
export async function crowd(
  random: Random,
  until: number,
  open = (): Promise<CrowdedStudio> => ProvedStudio.open('prove-crowd', SERVERS),
): Promise<CrowdCounts> {
  const studio = await open();
  const counts: CrowdCounts = { requests: 0, statuses: {}, faults: [] };
  try {
    const get = async <T>(path: string): Promise<T> => (await (await fetch(studio.at() + path)).json()) as T;
    const buckets = (await get<BucketSummary[]>('/buckets')).filter(({ contents }) => contents).slice(0, 4);
    const [recipe] = (await get<Recipe[]>('/recipes')) as [Recipe];
    const batch = (await get<Batch[]>('/batches')).find(({ bucketId }) => bucketId === null)!;
    const before = await sums(get);
    const done: Done = { waterGrams: 0, powderGrams: 0, reasons: [], items: [], records: [] };
    await Promise.all(
      Array.from({ length: CLIENTS }, async (_, client) => {
        const own = new Client(studio, new Random(random.int(0, 2 ** 31)), client % SERVERS, { buckets, recipe, batch }, done, counts);
        while (Date.now() < until) await own.step();
      }),
    );
    const after = await sums(get);
    const differs = (what: string, is: number, should: number): void => {
      if (Math.abs(is - should) > 1e-6 * should) counts.faults.push(`${what}: ${is} g in all buckets, ${should} g was put there.`);
    };
    differs('Water', after.waterGrams, before.waterGrams + done.waterGrams);
    differs('Powder', after.dryGrams, before.dryGrams + done.powderGrams);
    const reasons = new Set((await get<RecipeVersion[]>(`/recipes/${recipe.id}/versions`)).map(({ reason }) => reason));
    for (const reason of done.reasons) if (!reasons.has(reason)) counts.faults.push(`The change “${reason}” was acknowledged and is lost.`);
    const day = (await get<Day[]>('/days')).find(({ date }) => date === DATE);
    for (const id of done.items)
      if (!day?.items.some((item) => item.id === id)) counts.faults.push(`The item ${id} of the day was acknowledged and is lost.`);
    const recorded = new Set((await get<Batch>(`/batches/${batch.id}`)).events.map(({ id }) => id));
    for (const id of done.records) if (!recorded.has(id)) counts.faults.push(`The weight ${id} was acknowledged and is lost.`);
    counts.faults.push(...(await studio.faults()));
    for (const [status, times] of Object.entries(counts.statuses))
      if (Number(status) >= 500 && (status !== '503' || times > MOST_BUSY * counts.requests)) counts.faults.push(`${times} answers were ${status}.`);
  } finally {
    await studio.close();
  }
  return counts;
}

async function sums(get: <T>(path: string) => Promise<T>): Promise<{ waterGrams: number; dryGrams: number }> {
  const buckets = await get<BucketSummary[]>('/buckets');
  const sum = (of: (bucket: BucketSummary) => number): number => buckets.reduce((total, bucket) => total + of(bucket), 0);
  return { waterGrams: sum(({ contents }) => contents?.waterGrams ?? 0), dryGrams: sum(({ contents }) => contents?.dryGrams ?? 0) };
}

class Client {
  private readonly pours: { bucketId: string; eventId: string }[] = [];
  private day: Day | undefined;

  constructor(
    private readonly studio: CrowdedStudio,
    private readonly random: Random,
    private readonly server: number,
    private readonly things: { buckets: readonly BucketSummary[]; recipe: Recipe; batch: Batch },
    private readonly done: Done,
    private readonly counts: CrowdCounts,
  ) {}

  step(): Promise<void> {
    const { random } = this;
    return random.pick([
      () => this.addWater(),
      () => this.addPowder(),
      () => this.pour(),
      () => this.pour(),
      () => this.takeBack(),
      () => this.split(),
      () => this.recordLine(),
      () => this.changeDay(),
      () => this.changeRecipe(),
    ])();
  }

  private async addWater(): Promise<void> {
    const grams = this.random.int(1, 20);
    if (await this.note(this.bucket().id, { type: 'waterAdded', grams })) this.done.waterGrams += grams;
  }

  private async addPowder(): Promise<void> {
    const bucket = this.bucket();
    const grams = this.random.int(1, 5);
    const parts = [{ ...bucket.contents!.parts[0]!, grams }];
    if (await this.note(bucket.id, { type: 'powderAdded', parts, reason: 'thicken' })) this.done.powderGrams += grams;
  }

  private async pour(): Promise<void> {
    const [from, to] = [this.bucket(), this.bucket()];
    if (from.id === to.id) return;
    const takenEventId = this.random.uuid();
    const pour = {
      ...this.head(),
      id: undefined,
      toId: to.id,
      scrapsId: this.random.uuid(),
      takenEventId,
      filledEventId: this.random.uuid(),
      takenMl: 10,
    };
    if ((await this.send('POST', `/buckets/${from.id}/pour`, pour)).ok) this.pours.push({ bucketId: from.id, eventId: takenEventId });
  }

  private async takeBack(): Promise<void> {
    const pour = this.pours.pop();
    if (pour) await this.note(pour.bucketId, { type: 'undone', eventId: pour.eventId });
  }

  private async split(): Promise<void> {
    if (!this.random.chance(0.2)) return;
    const ids = { newBucketId: this.random.uuid(), takenEventId: this.random.uuid(), filledEventId: this.random.uuid() };
    await this.send('POST', `/buckets/${this.bucket().id}/split`, { ...this.head(), id: undefined, ...ids, name: 'Part', takenMl: 5 });
  }

  private async recordLine(): Promise<void> {
    const line = this.random.pick(this.things.batch.plan.lines);
    const event = { ...this.head(), type: 'lineWeighed', lineId: line.lineId, grams: line.targetGrams };
    const answer = await this.send('POST', '/events', { events: [{ stream: 'batch', streamId: this.things.batch.id, event }] });
    if ((answer.body as { acknowledged?: string[] }).acknowledged?.includes(event.id)) this.done.records.push(event.id);
  }

  private async changeDay(): Promise<void> {
    this.day ??= (await this.send('POST', '/days', { id: this.random.uuid(), date: DATE, items: [] })).body as Day;
    if (this.day.items.length >= MOST_ITEMS) return;
    const item = { id: this.random.uuid(), pieceId: this.random.uuid(), name: 'Cup', count: 1, steps: [] };
    const answer = await this.send('PUT', `/days/${this.day.id}`, { version: this.day.version, items: [...this.day.items, item] });
    // Somebody was faster: the refusal brings the day as it is now, with their change in it.
    const current = (answer.body as { current?: Day }).current;
    if (answer.ok) {
      this.day = answer.body as Day;
      this.done.items.push(item.id);
    } else if (current) this.day = current;
  }

  private async changeRecipe(): Promise<void> {
    const { recipe } = this.things;
    const current = (await this.send('GET', `/recipes/${recipe.id}`)).body as Recipe;
    const reason = this.random.uuid();
    const change = { version: current.version, reason, body: { ...current.body, notes: reason } };
    if ((await this.send('PUT', `/recipes/${recipe.id}`, change)).ok) this.done.reasons.push(reason);
  }

  private bucket(): BucketSummary {
    return this.random.pick(this.things.buckets);
  }

  private head(): { id: string; at: string; by: string } {
    return { id: this.random.uuid(), at: new Date().toISOString(), by: 'Maia' };
  }

  /** Returns true when the event was acknowledged. */
  private async note(streamId: string, step: object): Promise<boolean> {
    const event = { ...this.head(), ...step };
    const answer = await this.send('POST', '/events', { events: [{ stream: 'bucket', streamId, event }] });
    return (answer.body as { acknowledged?: string[] }).acknowledged?.includes(event.id) ?? false;
  }

  private async send(method: string, path: string, body?: object): Promise<{ ok: boolean; body: unknown }> {
    const init = body ? { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) } : {};
    const answer = await fetch(this.studio.at(this.server) + path, { method, ...init });
    this.counts.requests += 1;
    this.counts.statuses[answer.status] = (this.counts.statuses[answer.status] ?? 0) + 1;
    const text = await answer.text();
    if (answer.status === 503) await delay(20);
    return { ok: answer.ok, body: text ? (JSON.parse(text) as Bucket) : undefined };
  }
}
