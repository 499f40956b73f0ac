// Cazuela's own files, in and out. The formats are described in docs/formats. Listed by hand.
export { decodeText } from './decode';
export {
  FORMAT_NAME,
  FORMAT_VERSION,
  portablePowderSchema,
  portableRecipeSchema,
  portableBatchSchema,
  cazuelaFileSchema,
  importRowSchema,
  type PortablePowder,
  type PortableRecipe,
  type PortableRecipeBody,
  type PortableBatch,
  type CazuelaFile,
  type ImportRow,
} from './portable';
export { toPortableRecipe, fromPortableBody } from './portable-recipe';
export { dipsToCsv, runnersToCsv, type NamedDip } from './measured-to-csv';
export { readCells } from './csv';
export { logToCsv } from './log-to-csv';
export { powdersToCsv, recipesToCsv, batchesToCsv } from './to-csv';
export { readFile, type ReadFile } from './read-file';
export { importParts, type ImportPart } from './import-parts';
export {
  MOST_IMPORT_BYTES,
  ROWS_AT_ONCE,
  IMPORT_CHOICES,
  importRowsSchema,
  importCommitSchema,
  importOutcomeSchema,
  importProgressSchema,
  type ImportChoice,
  type ImportOutcome,
} from './import-messages';
export { checkAgainst, type Shelf, type CheckedFile } from './check-against';
export {
  pieceFromFile,
  PLAN_FORMAT_NAME,
  PLAN_FORMAT_VERSION,
  planFileSchema,
  planToFile,
  readPlanFile,
  type PlanFile,
  type PlanGlaze,
  type ReadPlan,
} from './portable-plan';
export { type FileProblem } from './file-problem';
export { changesToCsv, resultsToCsv, type NamedResult } from './results-to-csv';
