/** The stations in the order of the work: keys 1 to 8. */
export const STATIONS = [
  { name: 'Recipe', path: '/recipe' },
  { name: 'Weigh', path: '/weigh' },
  { name: 'Bucket', path: '/bucket' },
  { name: 'Coat', path: '/coat' },
  { name: 'Piece', path: '/piece' },
  { name: 'Day', path: '/day' },
  { name: 'Kiln', path: '/kiln' },
  { name: 'Wall', path: '/wall' },
] as const;
