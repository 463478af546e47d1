import sharp from 'sharp';

const escape = (s: string): string => s.replace(/[<>&"]/g, (c) => `&#${c.charCodeAt(0)};`);

/**
 * A made-up site photo: form, bars and a tape, a little different for every number, with a position in its EXIF
 * like a phone's, so that one can see it dropped.
 */
export async function cameraShot(n: number, label: string): Promise<Buffer> {
  let turn = (n * 2654435761) % 2147483647 || 1;
  const random = () => {
    turn = (turn * 48271) % 2147483647;
    return turn / 2147483647;
  };
  const bars = Array.from({ length: 7 }, (_, i) => {
    const x = 90 + i * 190 + random() * 40;
    return `<path d="M${x} 0L${x + random() * 30 - 15} 960" stroke="#5d4c3c" stroke-width="${22 + random() * 6}"/><path d="M${x - 5} 0L${x - 5} 960" stroke="#8a735c" stroke-width="4"/>`;
  }).join('');
  const across = Array.from({ length: 4 }, (_, i) => {
    const y = 130 + i * 230 + random() * 30;
    return `<path d="M0 ${y}L1280 ${y + random() * 24 - 12}" stroke="#54453a" stroke-width="20"/>`;
  }).join('');
  const ticks = Array.from(
    { length: 24 },
    (_, i) => `<path d="M${330 + i * 24} 560v${i % 4 ? 26 : 48}" stroke="#222" stroke-width="3"/>`,
  ).join('');
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1280" height="960"><defs><linearGradient id="g" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#b9a98d"/><stop offset="1" stop-color="#8d8069"/></linearGradient></defs>
<rect width="1280" height="960" fill="url(#g)"/>${Array.from({ length: 9 }, (_, i) => `<path d="M0 ${i * 120 + random() * 30}H1280" stroke="#7d7059" stroke-width="2" opacity=".5"/>`).join('')}${bars}${across}
<rect x="320" y="556" width="600" height="92" fill="#e8c33a"/>${ticks}<text x="40" y="930" font-family="sans-serif" font-size="44" fill="#fff" stroke="#222" stroke-width="1.5">${escape(label)}</text></svg>`;
  return sharp(Buffer.from(svg))
    .jpeg({ quality: 88 })
    .withExif({
      IFD0: { Make: 'Stand-in' },
      IFD3: {
        GPSLatitudeRef: 'N',
        GPSLatitude: '45/1 12/1 0/1',
        GPSLongitudeRef: 'W',
        GPSLongitude: '92/1 36/1 0/1',
      },
    })
    .toBuffer();
}
