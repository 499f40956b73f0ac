import type { RecordKind } from '@cazuela/contract';
import type { RecordAddress } from '../../data/state/put-away-store';

export interface NamedRecord extends RecordAddress {
  name: string;
}

/** A bucket is closed instead, once it is empty: glaze in it would be forgotten. */
export const mayBePutAway = (kind: RecordKind): boolean => kind !== 'bucket';
