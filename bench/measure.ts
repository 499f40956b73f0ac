/** Repeats a computation until its time is known well, and returns the median in milliseconds. */
export function middleMs(
  work: () => unknown,
  { warmUp = 200, rounds = 31, perRound = 200 }: { warmUp?: number; rounds?: number; perRound?: number } = {},
): number {
  for (let i = 0; i < warmUp; i++) work();
  const times: number[] = [];
  for (let round = 0; round < rounds; round++) {
    const started = performance.now();
    for (let i = 0; i < perRound; i++) work();
    times.push((performance.now() - started) / perRound);
  }
  return percentile(times, 0.5);
}

export async function timesMs(work: () => Promise<unknown>, count: number): Promise<number[]> {
  const times: number[] = [];
  for (let i = 0; i < count; i++) {
    const started = performance.now();
    await work();
    times.push(performance.now() - started);
  }
  return times;
}

export function percentile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
}

export interface Row {
  what: string;
  measured: string;
  wanted: string;
  ok: boolean;
}

export function show(rows: readonly Row[]): void {
  const width = Math.max(...rows.map((row) => row.what.length));
  for (const row of rows) console.log(`${row.ok ? 'ok  ' : 'SLOW'} ${row.what.padEnd(width)}  ${row.measured.padStart(12)}   wanted ${row.wanted}`);
}
