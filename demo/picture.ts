import sharp from 'sharp';
import { seeded } from './random';

/** A small drawn picture of a fired pot, in place of a photograph. */
export async function potPicture({ colour, seed, fault }: { colour: string; seed: number; fault: string | undefined }): Promise<{ jpeg: Buffer; width: number; height: number }> {
  const random = seeded(seed);
  const width = 640;
  const height = 640;
  const belly = 130 + random() * 90;
  const top = 150 + random() * 60;
  const neck = 70 + random() * 70;
  const body = `M${320 - neck} ${top} C ${320 - belly * 1.3} ${top + 110}, ${320 - belly} 470, 240 520 L 400 520 C ${320 + belly} 470, ${320 + belly * 1.3} ${top + 110}, ${320 + neck} ${top} Z`;
  const specks = Array.from({ length: 90 }, () => `<circle cx="${180 + random() * 280}" cy="${top + 10 + random() * 340}" r="${0.8 + random() * 2}" fill="#30231B" opacity="${0.15 + random() * 0.25}"/>`).join('');
  const drips = Array.from({ length: fault === 'ran' ? 7 : 3 }, () => {
    const x = 250 + random() * 140;
    return `<path d="M${x} 440 q6 ${40 + random() * 60} 0 ${fault === 'ran' ? 95 : 40} q-8 -30 -6 -80 z" fill="${colour}" opacity="0.8"/>`;
  }).join('');
  const bare = fault === 'crawled' ? Array.from({ length: 9 }, () => `<ellipse cx="${250 + random() * 140}" cy="${260 + random() * 200}" rx="${6 + random() * 16}" ry="${4 + random() * 9}" fill="#D9C7AA"/>`).join('') : '';
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">
    <defs><linearGradient id="g" x1="0" x2="1"><stop offset="0" stop-color="#000" stop-opacity=".38"/><stop offset=".35" stop-color="#fff" stop-opacity=".28"/><stop offset="1" stop-color="#000" stop-opacity=".45"/></linearGradient>
    <clipPath id="c"><path d="${body}"/></clipPath></defs>
    <rect width="640" height="640" fill="#E6DCCB"/><rect y="505" width="640" height="135" fill="#CBBBA0"/>
    <path d="${body}" fill="#C9AE8A"/><g clip-path="url(#c)"><rect width="640" height="450" fill="${colour}"/>${drips}${bare}${specks}<rect width="640" height="640" fill="url(#g)"/></g>
    <ellipse cx="320" cy="${top}" rx="${neck}" ry="${neck * 0.2}" fill="#30231B" opacity=".75"/></svg>`;
  const jpeg = await sharp(Buffer.from(svg)).jpeg({ quality: 80 }).toBuffer();
  return { jpeg, width, height };
}
