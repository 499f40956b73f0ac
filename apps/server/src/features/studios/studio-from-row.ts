import type { Studio } from '@cazuela/contract';
import type { StudioRow } from '../../db/rows';

export const studioFromRow = (row: StudioRow): Studio => ({ id: row.id, version: row.version, demo: Boolean(row.demo), ...row.body });
