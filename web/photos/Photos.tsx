import { Camera } from 'lucide-react';
import { useEffect, useState } from 'react';
import { photoKey, photosOf } from '#core/check';
import type { EventBody, LogEvent, PourState } from '#core/log';
import { usePour } from '../app/pour-context.tsx';
import { useStable } from '../app/useStable.ts';
import { lazily } from '../ui/lazily.tsx';
import { photoQueue } from './photo-queue.ts';
import { usePhotoQueue } from './usePhotoQueue.ts';

const TakePhotoSheet = lazily(() => import('./TakePhotoSheet.tsx'));
const PictureSheet = lazily(() => import('./PictureSheet.tsx'));

type About = EventBody<'photo'>['about'];

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

/** The button alone: what it opens is fetched when it is first pressed. */
function TakePhoto({ about, label = 'Photo' }: { about: About; label?: string }) {
  const [open, setOpen] = useState(false);
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
        <TakePhotoSheet
          about={about}
          onClose={() => {
            setOpen(false);
          }}
        />
      )}
    </>
  );
}

/** A photo that could not be had: asked for again by a press, and when there is signal. */
function AwayPhoto({ by, again }: { by: string; again: () => void }) {
  const asks = useStable(again);
  useEffect(() => {
    window.addEventListener('online', asks);
    return () => {
      window.removeEventListener('online', asks);
    };
  }, [asks]);
  return (
    <button
      type="button"
      className="h-14 border border-line px-2 text-[14px] leading-[18px] text-ink2"
      onClick={again}
    >
      {navigator.onLine ? 'photo is still on' : 'photo comes when'}
      <br />
      {navigator.onLine ? `${by}’s device` : 'there is signal'}
    </button>
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
  // What this device keeps is read a moment after the page: until then the server may have been asked
  // in vain. It is asked again once it has been sent.
  if (away && local) setAway(false);
  if (away && !local)
    return (
      <AwayPhoto
        by={photo.actor}
        again={() => {
          setAway(false);
        }}
      />
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
        <PictureSheet
          title={name}
          url={url(false)}
          onClose={() => {
            setOpen(false);
          }}
        />
      )}
    </>
  );
}
