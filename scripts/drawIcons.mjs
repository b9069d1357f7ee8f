/** Draws the icons of the installed application from `src/app/icon.svg`: node scripts/drawIcons.mjs */
import sharp from 'sharp';
import { readFileSync } from 'node:fs';
const svg = readFileSync('./src/app/icon.svg');
const draw = async (side, share, file, bg) => {
  const inner = Math.round(side * share);
  const pic = await sharp(svg, { density: 1200 })
    .resize(inner, inner, { fit: 'contain', background: { r: 0, g: 0, b: 0, alpha: 0 } })
    .png()
    .toBuffer();
  await sharp({ create: { width: side, height: side, channels: 4, background: bg } })
    .composite([{ input: pic }])
    .png({ compressionLevel: 9, palette: true })
    .toFile(file);
};
const clear = { r: 0, g: 0, b: 0, alpha: 0 },
  paper = '#f3ede0';
await draw(192, 0.92, './public/icons/box-192.png', clear);
await draw(512, 0.92, './public/icons/box-512.png', clear);
await draw(512, 0.6, './public/icons/box-mask-512.png', paper);
await draw(180, 0.76, './src/app/apple-icon.png', paper);
