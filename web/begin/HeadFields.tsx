import { LocateFixed } from 'lucide-react';
import { useState } from 'react';
import { parsePlace, placeText, PROFILE_WORDS } from '#core/begin';
import { FormField } from '../forms/FormField.tsx';
import { Choice } from './Choice.tsx';
import type { Draft } from './useSketch.ts';

const UNITS = { us: 'feet and inches', metric: 'metres, mm' };
const PROFILES = ['us-aci', 'metric-en'] as const;
const PROFILE_NAMES = {
  'us-aci': PROFILE_WORDS['us-aci'].name,
  'metric-en': PROFILE_WORDS['metric-en'].name,
};

/** What a site is called and where it is, in what it measures and what rules it keeps. */
export function HeadFields({
  draft,
  change,
  wrong,
}: {
  draft: Draft;
  change: (over: Partial<Draft>) => void;
  /** What is wrong with a field, by its name. */
  wrong: Partial<Record<'name' | 'place', string>>;
}) {
  return (
    <div className="flex flex-col gap-2">
      <div className="grid grid-cols-1 gap-2 sm:grid-cols-[1.3fr_1fr_1.6fr]">
        <FormField
          label="Name of the site"
          autoComplete="off"
          value={draft.name}
          error={wrong.name}
          maxLength={80}
          onChange={(e) => {
            change({ name: e.target.value });
          }}
        />
        <FormField
          label="Town"
          autoComplete="off"
          value={draft.where}
          maxLength={38}
          onChange={(e) => {
            change({ where: e.target.value });
          }}
        />
        <PlaceField
          value={draft.place}
          onChange={(place) => {
            change({ place });
          }}
          wrong={wrong.place}
        />
      </div>
      <div className="grid grid-cols-1 gap-2 sm:grid-cols-2">
        {' '}
        <Choice
          label="Units"
          options={['us', 'metric'] as const}
          words={UNITS}
          value={draft.units}
          onPick={(units) => {
            change({ units });
          }}
        />
        <Choice
          label="Rules"
          options={PROFILES}
          words={PROFILE_NAMES}
          value={draft.ruleProfile}
          onPick={(ruleProfile) => {
            change({ ruleProfile });
          }}
        />
      </div>{' '}
      <p className="text-[14px] leading-[18px] text-ink2">
        {PROFILE_WORDS[draft.ruleProfile].means} The local code rules where it differs; each rule
        can be set on the site.
      </p>
    </div>
  );
}

/** Coordinates as they are copied off a map, or where this device is. */
export function PlaceField({
  value,
  onChange,
  wrong,
}: {
  value: string;
  onChange: (text: string) => void;
  wrong: string | undefined;
}) {
  const [said, setSaid] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const place = parsePlace(value);
  const here = () => {
    setSaid(null);
    if (!('geolocation' in navigator)) {
      setSaid('This device does not say where it is. Type the coordinates.');
      return;
    }
    setAsking(true);
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        setAsking(false);
        onChange(placeText({ latitude: coords.latitude, longitude: coords.longitude }));
      },
      () => {
        setAsking(false);
        setSaid('This device may not say where it is. Type the coordinates.');
      },
      { timeout: 10_000, maximumAge: 600_000 },
    );
  };
  const unread =
    value.trim() !== '' && !place ? 'Write it as 45.2 N 92.6 W, or 45.2, −92.6.' : null;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-1">
      <FormField
        label="Where it is"
        autoComplete="off"
        placeholder="45.2 N 92.6 W"
        value={value}
        error={wrong ?? unread ?? said ?? undefined}
        onChange={(e) => {
          setSaid(null);
          onChange(e.target.value);
        }}
      />
      <button type="button" className="chip mt-6" disabled={asking} onClick={here}>
        <LocateFixed size={20} aria-hidden="true" />
        <span className="sr-only">{asking ? 'asking' : 'Here'}</span>
      </button>
    </div>
  );
}
