import type { CoatDipBody, RunnerTile } from '@cazuela/contract';
import { DIP_COLUMNS, RUNNER_COLUMNS } from './columns';
import { writeTable } from './csv';
import { coneCell } from './to-csv';

/** A measured coat with the names for its ids. */
export interface NamedDip extends CoatDipBody {
  bucket: string;
  /** Name of the bucket's recipe; undefined where there is none. */
  recipe?: string | undefined;
  body: string;
  lot?: string | undefined;
}

const METHOD_WORDS: Record<NonNullable<CoatDipBody['method']>, string> = {
  dip: 'dip',
  pour: 'pour',
  ladle: 'ladle',
  brushLoaded: 'brush, loaded',
  brushDry: 'brush, dry',
  sponge: 'sponge',
  spray: 'spray',
};

/**
 * Returns a table with one row for each measured coat, as it was read.
 *
 * @param dips - with the names of bucket, glaze and body
 * @example
 * dipsToCsv([]).includes('seconds') // true
 */
export function dipsToCsv(dips: readonly NamedDip[]): string {
  const rows = dips.map((dip) => {
    const { reading } = dip;
    const weighed = reading.kind === 'thickness' ? undefined : reading;
    return [
      dip.at,
      dip.by,
      dip.bucket,
      dip.recipe,
      dip.body,
      dip.lot,
      coneCell(dip.bisqueCone),
      dip.wallMm,
      dip.faces,
      METHOD_WORDS[dip.method ?? 'dip'],
      dip.passes,
      dip.secondsPlanned ? undefined : dip.seconds,
      dip.sg,
      dip.state,
      dip.before?.underMm,
      { wetWeight: 'wet weight', dryWeight: 'dry weight', thickness: 'thickness' }[reading.kind],
      weighed?.gainGrams,
      weighed?.areaCm2,
      weighed?.divisionGrams,
      reading.kind === 'thickness' ? reading.coatMm : undefined,
      dip.leftOut,
    ];
  });
  return writeTable(DIP_COLUMNS, rows);
}

/**
 * Returns a table with one row for each runner tile, measured or not yet.
 *
 * @param tiles - the runner tiles
 * @example
 * runnersToCsv([]).includes('band_mm') // true
 */
export function runnersToCsv(tiles: readonly RunnerTile[]): string {
  const rows = tiles.map(({ code, createdAt, body }) => {
    const [lower, upper] = body.layers;
    return [
      code,
      createdAt,
      body.by,
      lower!.glazeName,
      lower!.coatMm,
      upper?.glazeName,
      upper?.coatMm,
      body.bandMm,
      body.firedAt,
      body.cone && coneCell(body.cone),
      body.holdMinutes,
      body.cooling,
      body.place,
      body.runMm,
      body.notes,
    ];
  });
  return writeTable(RUNNER_COLUMNS, rows);
}
