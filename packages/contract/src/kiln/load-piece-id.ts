import * as z from 'zod';

/** The id of its lot, and its number in it. */
export const loadPieceIdSchema = z.string().regex(/^[0-9a-f-]{36}:\d{1,4}$/, 'A piece of a load is called by its lot and its number.');
