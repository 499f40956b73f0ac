import { bucketPourSchema, bucketSplitSchema, bucketUpdateSchema } from '@cazuela/contract';
import { route, type Route } from '../../http/route';
import { listBuckets } from './list-buckets';
import { pourIntoBucket } from './pour-into-bucket';
import { bucketPulse, readBucket } from './read-buckets';
import { splitBucket } from './split-bucket';
import { updateBucket } from './update-bucket';

export const bucketRoutes: readonly Route[] = [
  route({ method: 'get', path: '/buckets', handle: listBuckets }),
  route({ method: 'get', path: '/buckets/:id', handle: readBucket }),
  route({ method: 'get', path: '/buckets/:id/pulse', handle: bucketPulse }),
  route({ method: 'put', path: '/buckets/:id', body: bucketUpdateSchema, handle: updateBucket }),
  route({ method: 'post', path: '/buckets/:id/split', body: bucketSplitSchema, handle: splitBucket }),
  route({ method: 'post', path: '/buckets/:id/pour', body: bucketPourSchema, handle: pourIntoBucket }),
];
