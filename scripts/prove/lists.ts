import type * as z from 'zod';
import {
  batchSummarySchema,
  bodySchema,
  bucketSummarySchema,
  coatDipSchema,
  coatWindowSchema,
  daySchema,
  firingSchema,
  kilnSchema,
  loadSchema,
  pieceSchema,
  powderSchema,
  recipeSchema,
  resultSchema,
  runnerTileSchema,
  seriesSchema,
  tileSchema,
} from '@cazuela/contract';

/** Every list of a studio, with what each of its rows must be. */
export const LISTS: readonly { path: string; schema: z.ZodType }[] = [
  { path: '/powders', schema: powderSchema },
  { path: '/bodies', schema: bodySchema },
  { path: '/recipes', schema: recipeSchema },
  { path: '/batches', schema: batchSummarySchema },
  { path: '/buckets', schema: bucketSummarySchema },
  { path: '/coats', schema: coatDipSchema },
  { path: '/windows', schema: coatWindowSchema },
  { path: '/tiles', schema: tileSchema },
  { path: '/runner-tiles', schema: runnerTileSchema },
  { path: '/series', schema: seriesSchema },
  { path: '/pieces', schema: pieceSchema },
  { path: '/days', schema: daySchema },
  { path: '/kilns', schema: kilnSchema },
  { path: '/loads', schema: loadSchema },
  { path: '/firings', schema: firingSchema },
  { path: '/results', schema: resultSchema },
];
