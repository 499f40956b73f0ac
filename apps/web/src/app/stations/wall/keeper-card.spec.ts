import type { Keeper } from '@cazuela/core';
import { bucket, id, piece } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { KeeperCard } from './keeper-card';

const WHITE = bucket();

describe('a combination worth repeating', () => {
  const open = async (glaze: Partial<Keeper['glazes'][number]>): Promise<string> => {
    const records = new FakeRecords();
    records.openStudio();
    const glazes = [{ bucketId: WHITE.id, glazeId: WHITE.id, name: 'White', sg: 1.45, coatMm: 0.6, ...glaze }];
    const keeper: Keeper = { resultId: id(), glazedAt: '2026-03-08T10:00:00.000Z', coneReached: '6', glazes };
    const cup = piece();
    const screen = await Screen.open(KeeperCard, { piece: { ...cup, body: { ...cup.body, keeper } }, result: undefined });
    for (const request of records.http.match(({ method }) => method === 'GET')) request.flush([]);
    await screen.settle();
    return screen.text;
  };

  it('shows its figures as they were done', async () => {
    const text = await open({ seconds: 2.4 });
    expect(text).toMatch(/White SG 1\.45 0\.60 mm 2\.4 s/);
    expect(text).not.toContain('planned');
  });

  it('seconds that nobody timed are the plan’s, and say so', async () => {
    expect(await open({ seconds: 2.4, secondsPlanned: true })).toContain('2.4 s planned');
  });
});
