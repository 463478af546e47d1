import { Camera, ImagePlus } from 'lucide-react';
import { useMemo, useRef, useState, useSyncExternalStore, type ChangeEvent } from 'react';
import { sayWrong } from '../ui/say.ts';
import { v4 as uuid } from 'uuid';
import { photoKey, photosOf } from '#core/check';
import type { EventBody, LogEvent, PourState } from '#core/log';
import { usePour } from '../app/pour-context.tsx';
import { useSession } from '../app/session.tsx';
import { Sheet } from '../ui/Dialog.tsx';
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

export function usePhotoQueue() {
  const v = usePour();
  const queue = useMemo(() => photoQueue(v.record.id), [v.record.id]);
  return useSyncExternalStore(queue.subscribe, queue.snapshot);
}

/** Grouped once a state, however many thumbs ask. */
const grouped = new WeakMap<PourState, ReturnType<typeof photosOf>>();
function photosByPlace(state: PourState) {
  const found = grouped.get(state) ?? photosOf(state);
  grouped.set(state, found);
  return found;
}

/** Photos of one thing as thumbs, and a way to add one. */
export function Photos({ about, label = 'Photo' }: { about: About; label?: string }) {
  const v = usePour();
  const own = photosByPlace(v.state).get(photoKey(about)) ?? [];
  const shown =
    about.type === 'place' && about.moment
      ? own.filter((p) => p.body.about.type === 'place' && p.body.about.moment === about.moment)
      : own;
  return (
    <div className="flex flex-wrap items-center gap-2">
      {shown.map((p) => (
        <Thumb key={p.id} photo={p} />
      ))}
      <TakePhoto about={about} label={label} />
    </div>
  );
}

/** The button alone: a file or the phone's camera; in the demo also the stand-in camera. */
function TakePhoto({ about, label = 'Photo' }: { about: About; label?: string }) {
  const { demo } = useSession();
  const v = usePour();
  const input = useRef<HTMLInputElement>(null);
  const take = useTakePhoto();
  const [keep, setKeep] = useState(false);
  const [open, setOpen] = useState(false);
  const chosen = (e: ChangeEvent<HTMLInputElement>) => {
    const files = [...(e.target.files ?? [])];
    e.target.value = '';
    for (const f of files) void take(f, about, keep);
    setOpen(false);
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
    setOpen(false);
  };
  return (
    <>
      <button
        type="button"
        className="chip"
        onClick={() => {
          setOpen(true);
        }}
      >
        <Camera size={20} aria-hidden="true" />
        {label}
      </button>
      {open && (
        <Sheet
          open
          onClose={() => {
            setOpen(false);
          }}
          title="Photo"
        >
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
              Up to 20 MB. What the camera writes into the file, its position too, is dropped unless
              you keep it.
            </p>
          </div>
        </Sheet>
      )}
    </>
  );
}

function Thumb({ photo }: { photo: LogEvent<'photo'> }) {
  const v = usePour();
  const { waiting } = usePhotoQueue();
  const [open, setOpen] = useState(false);
  const [away, setAway] = useState(false);
  const id = photo.body.photoId;
  const local = waiting.get(id);
  const url = (small: boolean) =>
    local?.url ?? `/api/pours/${v.record.id}/photos/${id}${small ? '?size=small' : ''}`;
  const name = `Photo by ${photo.actor}${photo.body.caption ? `, ${photo.body.caption}` : ''}`;
  if (local?.refused)
    return (
      <div role="alert" className="max-w-full border-2 border-chalk p-2 text-chalk-t">
        {local.refused}
        <button
          type="button"
          className="btn line mt-1"
          onClick={() => void photoQueue(v.record.id).dismiss(id)}
        >
          Put away
        </button>
      </div>
    );
  if (away)
    return (
      <button
        type="button"
        className="h-14 border border-line px-2 text-[14px] leading-[18px] text-ink2"
        onClick={() => {
          setAway(false);
        }}
      >
        photo is still on
        <br />
        {photo.actor}’s device
      </button>
    );
  return (
    <>
      <button
        type="button"
        className="relative h-14 w-14 overflow-hidden border border-line bg-void"
        aria-label={name}
        data-photo={id}
        data-sent={local === undefined}
        onClick={() => {
          setOpen(true);
        }}
      >
        <img
          src={url(true)}
          alt=""
          className="h-full w-full object-cover"
          onError={() => {
            setAway(true);
          }}
        />
        {local && (
          <span className="absolute inset-x-0 bottom-0 bg-ink/80 text-center text-[14px] leading-4 text-ground">
            unsent
          </span>
        )}
      </button>
      {open && (
        <Sheet
          open
          onClose={() => {
            setOpen(false);
          }}
          title={name}
        >
          <img src={url(false)} alt={name} className="max-h-[70dvh] w-full object-contain" />
        </Sheet>
      )}
    </>
  );
}
