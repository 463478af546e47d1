import { Volume2, VolumeX } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';

const KEY = 'jactum.alarm-sound';
/** Two short tones, high enough to be heard over a pump: Hz, s. */
const TONES = [880, 1175];
const TONE_S = 0.16;

function ring(): void {
  // Where there is no sound, or nothing was pressed yet, the line on the screen is the alarm.
  if (typeof AudioContext === 'undefined') return;
  const audio = new AudioContext();
  TONES.forEach((hz, i) => {
    const tone = audio.createOscillator();
    tone.frequency.value = hz;
    tone.connect(audio.destination);
    tone.start(audio.currentTime + i * TONE_S);
    tone.stop(audio.currentTime + (i + 1) * TONE_S);
  });
  setTimeout(() => void audio.close(), 1000);
}

/** A sound when an alarm comes that was not there before, turned on and off by a press; the device keeps which. */
export default function AlarmSound({ alarms }: { alarms: readonly string[] }) {
  const [on, setOn] = useState(() => localStorage.getItem(KEY) !== 'off');
  const known = useRef<ReadonlySet<string>>(new Set());
  const all = alarms.join('\n');
  useEffect(() => {
    const now = new Set(all.split('\n').filter(Boolean));
    const fresh = [...now].some((a) => !known.current.has(a));
    known.current = now;
    if (fresh && on) ring();
  }, [all, on]);
  return (
    <button
      type="button"
      className="flex min-h-12 items-center gap-2 font-semibold text-press"
      aria-pressed={on}
      onClick={() => {
        localStorage.setItem(KEY, on ? 'off' : 'on');
        setOn(!on);
      }}
    >
      {on ? <Volume2 size={18} aria-hidden="true" /> : <VolumeX size={18} aria-hidden="true" />}
      {on ? 'Alarms sound' : 'Alarms are silent'}
    </button>
  );
}
