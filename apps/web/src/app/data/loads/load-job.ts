import {
  attempt,
  kilnWarnings,
  placeRest,
  planLoad,
  type KilnToLoad,
  type LoadPiece,
  type LoadShelf,
  type PieceQuestion,
  type Warning,
} from '@cazuela/core';
import { v7 as uuid } from 'uuid';

/** What is asked of the worker: places for all pieces, places for those that have none, or what speaks against pieces where they stand. */
export type LoadJob =
  | { kind: 'places'; pieces: LoadPiece[]; kiln: KilnToLoad }
  | { kind: 'rest'; shelves: LoadShelf[]; pieces: LoadPiece[]; kiln: KilnToLoad }
  | { kind: 'warnings'; asked: WarningsAsked[] };

/** One lot at the heat of one shelf. */
export interface WarningsAsked {
  key: string;
  question: PieceQuestion;
  placeCelsius: number;
}

export type LoadAnswer =
  | { kind: 'places'; shelves: LoadShelf[]; leftOut: { pieceId: string; why: string }[] }
  | { kind: 'warnings'; warnings: { key: string; warnings: Warning[] }[] }
  | { kind: 'failed'; message: string };

/** What the worker does. */
export function doLoadJob(job: LoadJob): LoadAnswer {
  switch (job.kind) {
    case 'places': {
      const made = attempt(() => planLoad(job.pieces, job.kiln));
      if (made.kind !== 'ok') return { kind: 'failed', message: made.error.message };
      const { shelves, leftOut } = made.value;
      return { kind: 'places', shelves: shelves.map(({ side, pieces }) => ({ id: uuid(), ...(side ? { side } : {}), pieces })), leftOut };
    }
    case 'rest': {
      const { shelves, leftOutIds } = placeRest(job.shelves, job.pieces, { kiln: job.kiln, newId: uuid });
      return { kind: 'places', shelves, leftOut: leftOutIds.map((pieceId) => ({ pieceId, why: 'noRoom' })) };
    }
    case 'warnings':
      return {
        kind: 'warnings',
        warnings: job.asked.flatMap(({ key, question, placeCelsius }) => {
          const made = attempt(() => kilnWarnings(question, placeCelsius));
          return made.kind === 'ok' ? [{ key, warnings: made.value }] : [];
        }),
      };
  }
}
