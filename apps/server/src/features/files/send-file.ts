import type { Response } from 'express';

/** Sends a file to be saved under its name. */
export function sendFile(response: Response, name: string, type: string, text: string): void {
  response.type(`${type}; charset=utf-8`).setHeader('Content-Disposition', `attachment; filename="${name}"`);
  response.send(text);
}
