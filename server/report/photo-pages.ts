import type { Content } from 'pdfmake/interfaces.js';
import { entryText } from '#core/words';
import { entries, type PourState } from '#core/log';
import type { UnitSystem } from '#core/units';

const ACROSS = 3;
const WIDTH_PT = 160;

/**
 * Photos with what each shows, who took it and when, three across; one that has not come from its
 * device yet is named.
 */
export function photoSection(
  state: PourState,
  pictures: Record<string, string>,
  units: UnitSystem,
  time: (iso: string) => string,
): Content[] {
  const shots = entries(state, 'photo').map((e): Content => {
    const caption = `${entryText(e, units)}. ${e.actor} ${time(e.at)}.`;
    const picture = pictures[e.body.photoId];
    return picture
      ? {
          unbreakable: true,
          stack: [
            { image: picture, width: WIDTH_PT },
            { text: caption, fontSize: 8, margin: [0, 2, 6, 8] },
          ],
        }
      : { text: `${caption} Not sent from the device it was taken on yet.`, fontSize: 8 };
  });
  if (!shots.length) return [];
  const rows = Array.from({ length: Math.ceil(shots.length / ACROSS) }, (_, i): Content => ({
    columns: [
      ...shots.slice(i * ACROSS, (i + 1) * ACROSS),
      ...Array.from({ length: Math.max(0, (i + 1) * ACROSS - shots.length) }, (): Content => ({
        text: '',
      })),
    ],
    columnGap: 10,
  }));
  return [{ text: 'Photos', style: 'h2' }, ...rows];
}
