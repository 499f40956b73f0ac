import { route, type Route } from '../../http/route';
import { greyPatchSchema } from '@cazuela/contract';
import { createPhoto } from './create-photo';
import { listPhotoColours, setGreyPatch } from './photo-colours';
import { readPhoto, readThumbnail } from './read-photo';
import { receivePhoto, requireStudio } from './receive-photo';

export const photoRoutes: readonly Route[] = [
  // The studio is looked up before the file is read: nobody can fill the memory for a studio that does not exist.
  route({ method: 'post', path: '/photos', before: [requireStudio, receivePhoto], handle: createPhoto }),
  route({ method: 'get', path: '/photos/:id', handle: readPhoto }),
  route({ method: 'get', path: '/photos/:id/thumbnail', handle: readThumbnail }),
  route({ method: 'get', path: '/photo-colours', handle: listPhotoColours }),
  route({ method: 'put', path: '/photos/:id/grey', body: greyPatchSchema, handle: setGreyPatch }),
];
