import { setTimeout as delay } from 'node:timers/promises';
import { QueryTypes } from 'sequelize';
import type { BucketSummary, Recipe, RecipeVersion } from '@cazuela/contract';
import { ProvedStudio } from './proved-studio';
import type { Random } from './random';

export interface KillCounts {
  serverKills: number;
  databaseKills: number;
  firstStartKills: number;
  events: number;
  documents: number;
  faults: string[];
}

const LONGEST_LIFE_MS = 350;
const LONGEST_FIRST_START_MS = 1_800;
/** After so many kills of the server, one of the database, and one of a first start. */
const DATABASE_EVERY = 4;
const FIRST_START_EVERY = 12;
/** Replays of all histories take longer and longer: this often is enough to know which kill it was. */
const INSPECT_EVERY = 5;

/**
 * Kills server and database with SIGKILL at random moments while a tablet writes events and a screen writes documents, both remembering what was
 * acknowledged. After each start all of it must be there, exactly once, and every snapshot must equal the replay of its events.
 */
export async function killLoop(random: Random, kills: number, until: number, say: (line: string) => void): Promise<KillCounts> {
  const studio = await ProvedStudio.open('prove-kill');
  const counts: KillCounts = { serverKills: 0, databaseKills: 0, firstStartKills: 0, events: 0, documents: 0, faults: [] };
  try {
    const tablet = await Tablet.open(studio, random);
    while (counts.serverKills < kills && Date.now() < until && counts.faults.length === 0) {
      const working = tablet.work();
      await delay(random.between(5, LONGEST_LIFE_MS));
      if (counts.serverKills % DATABASE_EVERY === DATABASE_EVERY - 1) {
        await studio.killDatabase();
        counts.databaseKills += 1;
        await delay(random.between(0, LONGEST_LIFE_MS / 2));
      }
      studio.killServer();
      counts.serverKills += 1;
      await tablet.stop(working);
      await studio.start();
      const isLast = counts.serverKills === kills;
      await tablet.finish();
      if (isLast || counts.serverKills % INSPECT_EVERY === 0) counts.faults.push(...(await tablet.faults()), ...(await studio.faults()));
      if (counts.serverKills % FIRST_START_EVERY === 0) {
        counts.faults.push(...(await killFirstStart(studio, random, `cazuela_first${counts.firstStartKills}`)));
        counts.firstStartKills += 1;
      }
      if (counts.serverKills % 20 === 0) say(`  ${counts.serverKills} kills of the server, ${counts.databaseKills} of the database`);
    }
    counts.faults.push(...(await tablet.faults()), ...(await studio.faults()));
    counts.events = tablet.acknowledged.size;
    counts.documents = tablet.documents;
  } finally {
    await studio.close();
  }
  return counts;
}

/** A first start on an empty database, killed anywhere, must succeed the next time. */
async function killFirstStart(studio: ProvedStudio, random: Random, name: string): Promise<string[]> {
  studio.killServer();
  await studio.inspect((context) => context.sequelize.query(`CREATE DATABASE ${name}`));
  studio.useDatabase(name);
  const dying = studio.launch().then(
    ({ child }) => child.kill('SIGKILL'),
    () => undefined,
  );
  await delay(random.between(150, LONGEST_FIRST_START_MS));
  studio.killStarting();
  await dying;
  const faults = await studio.start().then(
    () => studio.faults(),
    (error: unknown) => [`A first start that was killed does not start again: ${(error as Error).message}`],
  );
  studio.killServer();
  studio.useDatabase('cazuela');
  await studio.start();
  return faults;
}

/** One client: what was not acknowledged is sent again, as the app does. */
class Tablet {
  readonly acknowledged = new Map<string, string>();
  documents = 0;
  private waiting: { streamId: string; id: string; event: object }[] = [];
  private stopping = false;
  /** Reasons of the recipe's versions that were acknowledged, and of the one being sent. */
  private readonly reasons: string[] = [];
  private pending: string | undefined;

  private constructor(
    private readonly studio: ProvedStudio,
    private readonly random: Random,
    private readonly buckets: readonly BucketSummary[],
    private recipe: Recipe,
  ) {}

  static async open(studio: ProvedStudio, random: Random): Promise<Tablet> {
    const [buckets, recipes] = await Promise.all([get<BucketSummary[]>(studio, '/buckets'), get<Recipe[]>(studio, '/recipes')]);
    return new Tablet(
      studio,
      random,
      buckets.filter((bucket) => bucket.contents),
      recipes[0]!,
    );
  }

  async work(): Promise<void> {
    this.stopping = false;
    await Promise.all([this.writeSteps(), this.writeDocuments()]);
  }

  async stop(working: Promise<void>): Promise<void> {
    this.stopping = true;
    await working;
  }

  /** Sends what is left until it is acknowledged. */
  async finish(): Promise<void> {
    for (let tries = 0; tries < 50 && (this.waiting.length > 0 || this.pending !== undefined); tries++) {
      await this.sendWaiting();
      await this.sendDocument();
    }
  }

  async faults(): Promise<string[]> {
    const faults: string[] = [];
    if (this.waiting.length > 0) faults.push(`${this.waiting.length} steps were never acknowledged.`);
    const rows = await this.studio.inspect((context) =>
      context.sequelize.query<{ id: string; stream_id: string; times: number }>(
        'SELECT id, MIN(stream_id) AS stream_id, COUNT(*) AS times FROM bench_events GROUP BY id',
        { type: QueryTypes.SELECT },
      ),
    );
    const there = new Map(rows.map((row) => [row.id, row]));
    for (const [id, streamId] of this.acknowledged) {
      const row = there.get(id);
      if (!row) faults.push(`Step ${id} was acknowledged and is not there.`);
      else if (Number(row.times) !== 1 || row.stream_id !== streamId) faults.push(`Step ${id} is there ${row.times} times.`);
    }
    const versions = await get<RecipeVersion[]>(this.studio, `/recipes/${this.recipe.id}/versions`);
    for (const reason of this.reasons)
      if (versions.filter((version) => version.reason === reason).length !== 1) faults.push(`The change “${reason}” is not there once.`);
    return faults;
  }

  private async writeSteps(): Promise<void> {
    while (!this.stopping) {
      for (let many = this.random.int(1, 4); many > 0; many--) this.waiting.push(this.newStep());
      await this.sendWaiting();
    }
  }

  private newStep(): { streamId: string; id: string; event: object } {
    const id = this.random.uuid();
    const head = { id, at: new Date().toISOString(), by: 'Inés' };
    const event = this.random.chance(0.5) ? { ...head, type: 'waterAdded', grams: this.random.int(1, 9) } : { ...head, type: 'stirred' };
    return { streamId: this.random.pick(this.buckets).id, id, event };
  }

  private async sendWaiting(): Promise<void> {
    const batch = this.waiting.slice(0, 50);
    if (batch.length === 0) return;
    const events = batch.map(({ streamId, event }) => ({ stream: 'bucket', streamId, event }));
    const answer = await send<{ acknowledged: string[] }>('POST', `${this.studio.at()}/events`, { events });
    const named = new Set(answer?.acknowledged ?? []);
    for (const { id, streamId } of batch) if (named.has(id)) this.acknowledged.set(id, streamId);
    this.waiting = this.waiting.filter(({ id }) => !named.has(id));
  }

  private async writeDocuments(): Promise<void> {
    while (!this.stopping) {
      this.pending ??= `change ${this.documents}`;
      await this.sendDocument();
    }
  }

  /** A change whose answer was lost is sent again as it was, and is found done. */
  private async sendDocument(): Promise<void> {
    if (this.pending === undefined) return;
    const change = { version: this.recipe.version, reason: this.pending, body: { ...this.recipe.body, notes: this.pending } };
    const answer = await send<Recipe>('PUT', `${this.studio.at()}/recipes/${this.recipe.id}`, change);
    if (!answer) return;
    this.recipe = answer;
    this.reasons.push(this.pending);
    this.pending = undefined;
    this.documents += 1;
  }
}

async function get<T>(studio: ProvedStudio, path: string): Promise<T> {
  return (await (await fetch(studio.at() + path)).json()) as T;
}

/** Returns the answer when it is a good one; undefined when the server died or could not. */
async function send<T>(method: string, url: string, body: object): Promise<T | undefined> {
  try {
    const answer = await fetch(url, {
      method,
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(10_000),
    });
    return answer.ok ? ((await answer.json()) as T) : undefined;
  } catch {
    await delay(10);
    return undefined;
  }
}
