import 'fake-indexeddb/auto';
import { describe, expect, jest, test } from '@jest/globals';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { entriesFrom } from '../../core/testdata/entries.ts';
import { localDb } from '../sync/local-db.ts';
import { dayOf, renderInPour } from '../testing/pour.tsx';
import { Photos } from './Photos.tsx';
import { photoQueue } from './photo-queue.ts';

const { entry } = entriesFrom(dayOf('quillback', 'P2'), 'T. Oakes');
const about = { type: 'place', checkId: 'E1/cover-inside', place: 0, moment: 'before' } as const;
const photoOf = (photoId: string, moment: 'before' | 'after' = 'before') =>
  entry('photo', { photoId, about: { ...about, moment } }, 10);
const [FIRST, SECOND] = [
  '0192a000-0000-7000-8000-000000000001',
  '0192a000-0000-7000-8000-000000000002',
] as const;

URL.createObjectURL = () => 'blob:kept-here';
URL.revokeObjectURL = () => undefined;

describe('photos of a place', () => {
  test('are those of its moment alone, small ones of the server', () => {
    renderInPour(<Photos about={about} />, {
      entries: [photoOf(FIRST), photoOf(SECOND, 'after')],
    });
    const thumbs = document.querySelectorAll('[data-photo]');
    expect(thumbs).toHaveLength(1);
    expect(thumbs[0]?.getAttribute('data-photo')).toBe(FIRST);
    expect(thumbs[0]?.querySelector('img')?.getAttribute('src')).toBe(
      `/api/pours/pour/photos/${FIRST}?size=small`,
    );
  });

  test('that the server has not got yet are said to be on the device of who took them', async () => {
    renderInPour(<Photos about={about} />, { entries: [photoOf(FIRST)] });
    fireEvent.error(document.querySelector('[data-photo] img') as Element);
    expect(screen.getByText(/photo is still on/).textContent).toMatch(/T\. Oakes’s device/);
    // A press asks once more.
    await userEvent.click(screen.getByText(/photo is still on/));
    expect(document.querySelector(`[data-photo="${FIRST}"]`)).toBeTruthy();
  });

  test('kept on this device show themselves, also where the server was asked in vain before they were read', async () => {
    renderInPour(<Photos about={about} />, { entries: [photoOf(SECOND)] });
    fireEvent.error(document.querySelector('[data-photo] img') as Element);
    expect(screen.getByText(/photo is still on/)).toBeTruthy();
    const picture = new Blob(['kept'], { type: 'image/png' });
    await photoQueue('pour').add(SECOND, picture, false);
    await waitFor(() => {
      const thumb = document.querySelector(`[data-photo="${SECOND}"]`);
      expect(thumb?.getAttribute('data-sent')).toBe('false');
    });
    expect(screen.getByText('unsent')).toBeTruthy();
    expect(screen.queryByText(/photo is still on/)).toBeNull();
    // Sent, it is the server's: nobody's device has it to itself any more.
    globalThis.fetch = () => Promise.resolve({ ok: true, status: 200 } as Response);
    window.dispatchEvent(new Event('online'));
    await waitFor(() => {
      const thumb = document.querySelector(`[data-photo="${SECOND}"]`);
      expect(thumb?.getAttribute('data-sent')).toBe('true');
    });
    expect(screen.queryByText(/photo is still on/)).toBeNull();
    expect(await (await localDb()).count('photos')).toBe(0);
  });

  test('open as large as the screen allows', async () => {
    renderInPour(<Photos about={about} />, { entries: [photoOf(FIRST)] });
    await userEvent.click(screen.getByRole('button', { name: 'Photo by T. Oakes' }));
    const sheet = await screen.findByRole('dialog', { name: 'Photo by T. Oakes' });
    expect(sheet.querySelector('img')?.getAttribute('src')).toBe(`/api/pours/pour/photos/${FIRST}`);
  });
});

describe('a photo that is taken', () => {
  const choose = async (file: File) => {
    const { write } = renderInPour(<Photos about={about} label="Photo before" />);
    await userEvent.click(screen.getByRole('button', { name: 'Photo before' }));
    await screen.findByRole('dialog', { name: 'Photo' });
    const add = jest.spyOn(photoQueue('pour'), 'add').mockResolvedValue();
    // As a drop or an old browser hands it over: whatever it is.
    fireEvent.change(screen.getByLabelText('Picture file'), { target: { files: [file] } });
    return { write, add };
  };

  test('is kept with what it shows, without where it was taken unless that is wanted', async () => {
    const file = new File(['x'], 'lap.png', { type: 'image/png' });
    const { write, add } = await choose(file);
    await waitFor(() => {
      expect(write).toHaveBeenCalledTimes(1);
    });
    const [kind, body] = write.mock.calls[0] ?? [];
    expect(kind).toBe('photo');
    expect((body as { about: unknown }).about).toEqual(about);
    expect(add).toHaveBeenCalledWith((body as { photoId: string }).photoId, file, false);
    add.mockRestore();
  });

  test('that is no picture, or too large, is kept nowhere', async () => {
    const { write, add } = await choose(new File(['x'], 'notes.txt', { type: 'text/plain' }));
    const large = new File(['x'], 'wall.png', { type: 'image/png' });
    Object.defineProperty(large, 'size', { value: 21 * 1024 * 1024 });
    await userEvent.click(screen.getByRole('button', { name: 'Photo before' }));
    fireEvent.change(await screen.findByLabelText('Picture file'), {
      target: { files: [large] },
    });
    await waitFor(() => {
      expect(screen.queryByRole('dialog')).toBeNull();
    });
    expect(add).not.toHaveBeenCalled();
    expect(write).not.toHaveBeenCalled();
    add.mockRestore();
  });
});
