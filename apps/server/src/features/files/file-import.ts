import type { Transaction } from 'sequelize';
import type { ImportChoice } from '@cazuela/formats';
import type { Context } from '../../context';

/** One file that goes into the records of a studio, all of it in one transaction. */
export interface FileImport {
  context: Context;
  studioId: string;
  choice: ImportChoice;
  transaction: Transaction;
}
