import type { EventBody, EventKind, LogEvent } from './events.ts';
import { SKIES } from './kinds/weather.ts';
import { TROUBLES, TROUBLE_NAME } from './kinds/trouble.ts';

/** How a field of an entry is typed again: words, a figure, one of a few, a lift, a run or load of the pour, a moment. */
type Typed = 'words' | 'long' | 'figure' | 'choice' | 'lift' | 'run' | 'load' | 'moment';

/** A field of an entry that may be put right where the entry stands. */
export interface CorrectableField {
  name: string;
  label: string;
  typed: Typed;
  required: boolean;
  /** What may be chosen, with how it is said. */
  options?: Readonly<Record<string, string>>;
}

type FieldsOf<K extends EventKind> = readonly (CorrectableField & {
  name: keyof EventBody<K> & string;
})[];

const need = <N extends string>(name: N, label: string, typed: Typed = 'figure') => ({
  name,
  label,
  typed,
  required: true,
});
const may = <N extends string>(name: N, label: string, typed: Typed = 'figure') => ({
  ...need(name, label, typed),
  required: false,
});
const oneOf = <N extends string>(name: N, label: string, options: Record<string, string>) => ({
  ...need(name, label, 'choice'),
  options,
});

const LOAD = need('loadId', 'Load', 'load');
const RUN = need('elementId', 'Run', 'run');
const LIFT = need('lift', 'Lift', 'lift');
const WHERE = oneOf('where', 'Read at', { truck: 'the truck', hose: 'the hose' });
const same = (words: readonly string[]) => Object.fromEntries(words.map((w) => [w, w]));

/** What of each kind may be put right beside its time; a kind that is not here keeps what it says. */
const FIELDS: { readonly [K in EventKind]?: FieldsOf<K> } = {
  'load-arrived': [
    LOAD,
    may('ticket', 'Ticket number', 'words'),
    need('volumeM3', 'On the ticket'),
    need('batchedAt', 'Batched', 'moment'),
    may('concreteTempC', 'Concrete'),
    may('mix', 'Mix', 'words'),
  ],
  'load-end': [LOAD, need('returnedM3', 'Went back')],
  'load-verdict': [
    LOAD,
    oneOf('decision', 'Decided', { accept: 'placed', reject: 'sent back' }),
    may('reason', 'Why', 'words'),
  ],
  'load-step': [LOAD],
  slump: [LOAD, need('measuredMm', 'Slump'), WHERE],
  'fresh-test': [LOAD, may('airRatio', 'Air'), may('concreteTempC', 'Concrete'), WHERE],
  water: [LOAD, need('addedL', 'Water added'), may('turns', 'Turns of the drum')],
  added: [LOAD, need('massKg', 'Put in'), may('name', 'What it is called', 'words')],
  cylinders: [
    LOAD,
    need('set', 'Set'),
    need('lab', 'For the laboratory'),
    need('field', 'Cured in the field'),
    may('mark', 'Marked', 'words'),
  ],
  'place-start': [RUN, LIFT, may('loadId', 'From load', 'load')],
  'place-stop': [RUN, LIFT, need('filledRatio', 'Filled')],
  'seam-test': [RUN, LIFT],
  weather: [
    need('airTempC', 'Air'),
    may('humidity', 'Humidity'),
    may('windKmH', 'Wind'),
    oneOf('sky', 'Sky', same(SKIES)),
    may('rainMmH', 'Rain'),
  ],
  trouble: [
    oneOf('what', 'What', Object.fromEntries(TROUBLES.map((t) => [t, TROUBLE_NAME[t]]))),
    may('elementId', 'Run', 'run'),
    may('note', 'Note', 'words'),
  ],
  'trouble-over': [may('what', 'What was done', 'words')],
  probe: [need('tempC', 'Concrete'), may('where', 'Where', 'words')],
  'break-test': [need('ageDays', 'Age'), need('strengthMPa', 'Strength')],
  strip: [may('reason', 'Why', 'words')],
  level: [need('rodM', 'Rod')],
  setup: [need('backSightM', 'Back-sight')],
  hand: [
    need('name', 'Who', 'words'),
    oneOf('to', 'On or off', { on: 'on', off: 'off' }),
    may('job', 'Job', 'words'),
  ],
  visitor: [need('name', 'Who', 'words'), may('why', 'Why', 'words')],
  note: [need('text', 'What happened', 'long')],
  incident: [need('text', 'What happened', 'long'), may('elementId', 'Run', 'run')],
  defect: [RUN, need('what', 'What', 'words')],
  question: [need('text', 'What is unclear', 'long'), need('to', 'Who answers', 'words')],
  answer: [need('text', 'Answer', 'long'), may('by', 'Given by', 'words')],
};

/** Kinds that stand as they were given: signed, closed, told to the plant, worked out, or a picture. */
const FIXED: ReadonlySet<EventKind> = new Set<EventKind>([
  'sign',
  'override',
  'close',
  'reopen',
  'order',
  'supersede',
  'worked',
  'photo',
]);

/** What of an entry may be put right beside its time; null where nothing is, not even that. */
export const correctable = ({
  kind,
}: Pick<LogEvent, 'kind'>): readonly CorrectableField[] | null =>
  FIXED.has(kind) ? null : (FIELDS[kind] ?? []);
