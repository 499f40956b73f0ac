import sharp from 'sharp';
import { PIECE_SHAPES, seededUniform } from '@cazuela/core';

const SIZE = 640;
const FLOOR_Y = 520;

/** A small drawn picture of a fired pot in its own form, in place of a photograph. */
export async function potPicture(pot: {
  colour: string;
  shapeId: string;
  seed: number;
  fault: string | undefined;
}): Promise<{ jpeg: Buffer; width: number; height: number }> {
  const { colour, fault } = pot;
  const random = seededUniform(pot.seed);
  const { outside } = PIECE_SHAPES.find((shape) => shape.id === pot.shapeId) ?? PIECE_SHAPES[0]!;
  const tall = Math.max(...outside.map((point) => point.heightMm));
  const wide = Math.max(...outside.map((point) => point.radiusMm));
  const scale = Math.min(360 / tall, 240 / wide);
  const side = (sign: 1 | -1): string[] => outside.map((point) => `${320 + sign * point.radiusMm * scale} ${FLOOR_Y - point.heightMm * scale}`);
  const body = `M${side(-1).reverse().join(' L')} L${side(1).join(' L')} Z`;
  const top = FLOOR_Y - tall * scale;
  const rim = outside.at(-1)!.radiusMm * scale;
  const glazeEnd = FLOOR_Y - Math.min(50, 0.12 * tall * scale);
  const among = (low: number, high: number): number => low + random() * (high - low);
  const many = (count: number, draw: () => string): string => Array.from({ length: count }, draw).join('');
  const specks = many(
    90,
    () => `<circle cx="${among(90, 550)}" cy="${among(top, FLOOR_Y)}" r="${among(0.8, 2.8)}" fill="#30231B" opacity="${among(0.15, 0.4)}"/>`,
  );
  const drips = many(
    fault === 'ran' ? 9 : 3,
    () =>
      `<path d="M${among(220, 420)} ${glazeEnd - 8} q6 ${among(20, 50)} 0 ${fault === 'ran' ? 62 : 24} q-8 -20 -6 -50 z" fill="${colour}" opacity="0.85"/>`,
  );
  const bare =
    fault === 'crawled'
      ? many(9, () => `<ellipse cx="${among(230, 410)}" cy="${among(top + 20, glazeEnd)}" rx="${among(6, 22)}" ry="${among(4, 13)}" fill="#D9C7AA"/>`)
      : '';
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${SIZE}" height="${SIZE}">
    <defs><linearGradient id="g" x1="0" x2="1"><stop offset="0" stop-color="#000" stop-opacity=".38"/><stop offset=".35" stop-color="#fff" stop-opacity=".28"/><stop offset="1" stop-color="#000" stop-opacity=".45"/></linearGradient>
    <clipPath id="c"><path d="${body}"/></clipPath></defs>
    <rect width="${SIZE}" height="${SIZE}" fill="#E6DCCB"/><rect y="505" width="${SIZE}" height="135" fill="#CBBBA0"/>
    <path d="${body}" fill="#C9AE8A"/><g clip-path="url(#c)"><rect width="${SIZE}" height="${glazeEnd}" fill="${colour}"/>${drips}${bare}${specks}<rect width="${SIZE}" height="${SIZE}" fill="url(#g)"/></g>
    <ellipse cx="320" cy="${top}" rx="${rim}" ry="${Math.max(4, rim * 0.13)}" fill="#30231B" opacity=".75"/></svg>`;
  // Its own drawings only: a server blocks them again before it listens.
  sharp.unblock({ operation: ['VipsForeignLoadSvgBuffer'] });
  const jpeg = await sharp(Buffer.from(svg)).jpeg({ quality: 80 }).toBuffer();
  return { jpeg, width: SIZE, height: SIZE };
}
