import { ImagePlus } from 'lucide-react';
import { useRef, useState, type ChangeEvent } from 'react';
import { v7 as uuid } from 'uuid';
import type { EventBody } from '#core/log';
import { usePour } from '../app/pour-context.tsx';
import { useSession } from '../app/session.tsx';
import { Sheet } from '../ui/Dialog.tsx';
import { sayWrong } from '../ui/say.ts';
import { PHOTO_LIMIT_BYTES, photoQueue } from './photo-queue.ts';

type About = EventBody<'photo'>['about'];

/** What the stand-in camera writes on its picture. */
function shownIn(about: About): string {
  if (about.type === 'place') return about.checkId;
  return about.type === 'element' ? about.elementId : 'question';
}

/** Keeps a picture and says in the log what it shows. */
function useTakePhoto() {
  const v = usePour();
  return async (blob: Blob, about: About, keepPosition = false): Promise<void> => {
    if (!blob.type.startsWith('image/')) {
      sayWrong('That file is not a picture. JPEG, PNG, WebP and AVIF are taken.');
      return;
    }
    if (blob.size > PHOTO_LIMIT_BYTES) {
      sayWrong(`That picture has ${(blob.size / 1_048_576).toFixed(0)} MB; 20 MB is the most.`);
      return;
    }
    const photoId = uuid();
    await photoQueue(v.record.id).add(photoId, blob, keepPosition);
    await v.write('photo', { photoId, about });
  };
}

/** A file or the phone's camera; in the demo also the stand-in camera. */
export default function TakePhotoSheet({ about, onClose }: { about: About; onClose: () => void }) {
  const { demo } = useSession();
  const v = usePour();
  const input = useRef<HTMLInputElement>(null);
  const take = useTakePhoto();
  const [keep, setKeep] = useState(false);
  const chosen = (e: ChangeEvent<HTMLInputElement>) => {
    const files = [...(e.target.files ?? [])];
    e.target.value = '';
    for (const f of files) void take(f, about, keep);
    onClose();
  };
  const standIn = async () => {
    const n = v.state.active.photo?.length ?? 0;
    try {
      const res = await fetch(
        `/api/standins/camera?n=${n + 1}&label=${encodeURIComponent(`${v.record.pour.code} ${shownIn(about)}`)}`,
      );
      if (!res.ok) throw new Error();
      await take(await res.blob(), about, keep);
    } catch {
      sayWrong('The stand-in camera does not answer. Without signal, add a file.');
    }
    onClose();
  };
  return (
    <Sheet open onClose={onClose} title="Photo">
      <div className="flex flex-col gap-3">
        <button type="button" className="btn" onClick={() => input.current?.click()}>
          <ImagePlus size={22} aria-hidden="true" />
          Take one, or pick a file
        </button>
        <input
          ref={input}
          type="file"
          accept="image/*"
          capture="environment"
          className="sr-only"
          aria-label="Picture file"
          tabIndex={-1}
          onChange={chosen}
        />
        {demo && (
          <button type="button" className="btn line" onClick={() => void standIn()}>
            Stand-in camera of the demo
          </button>
        )}
        <label className="flex min-h-12 items-center gap-3">
          <input
            type="checkbox"
            className="h-6 w-6"
            checked={keep}
            onChange={(e) => {
              setKeep(e.target.checked);
            }}
          />
          Keep where it was taken
        </label>
        <p className="text-ink2">
          Up to 20 MB. What the camera writes into the file, its position too, is dropped unless you
          keep it.
        </p>
      </div>
    </Sheet>
  );
}
