/** Bytes that Windows-1252 leaves open are read as in Latin-1. */
const FALLBACK = 'windows-1252';

/**
 * Returns the text of a file: UTF-8, UTF-16 with its mark, else Latin-1 as older spreadsheets write it.
 *
 * @param bytes - the file
 * @example
 * decodeText(new Uint8Array([0x43, 0x61, 0xf1, 0x61])) // 'Caña'
 */
export function decodeText(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder(FALLBACK).decode(bytes);
  }
}
