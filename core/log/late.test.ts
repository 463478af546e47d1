import { describe, expect, test } from '@jest/globals';
import { entriesFrom } from '../testdata/entries.ts';
import { correctable } from './corrections.ts';
import { kindOf, EVENT_KINDS, type LogEvent } from './events.ts';
import { openQuestions, questionsOf } from './questions.ts';
import { refuseClosed } from './closed.ts';
import { entries, latest, replay, stateAt } from './state.ts';
import { refuseHappened, writtenLateMs } from './late.ts';
import { refuseWritten, timesOf } from './time.ts';

const DAY = Date.parse('2026-09-23T05:00:00Z');
const { entry, ms } = entriesFrom(DAY, 'T. Oakes');
const of = (e: LogEvent, change: Partial<LogEvent>) => ({ ...e, ...change }) as LogEvent;

describe('an entry that is written later than it happened', () => {
  const slump = entry('slump', { loadId: 'L1', measuredMm: 100, where: 'truck' }, 480);
  const late = of(entry('slump', { loadId: 'L1', measuredMm: 120, where: 'truck' }, 481), {
    supersedes: slump.id,
    writtenAt: new Date(ms(560)).toISOString(),
  });

  test('has its own time, and is not there before it was written', () => {
    const log = replay([slump, late]);
    expect(latest(log, 'slump')?.body.measuredMm).toBe(120);
    expect(latest(stateAt(log, ms(500)), 'slump')?.body.measuredMm).toBe(100);
    expect(latest(stateAt(log, ms(560)), 'slump')?.at).toBe(late.at);
  });

  test('says when it was written, where that was more than a minute after', () => {
    expect(timesOf(ms(480), ms(480.5))).toEqual({ at: new Date(ms(480)).toISOString() });
    expect(timesOf(ms(480), ms(520)).writtenAt).toBe(new Date(ms(520)).toISOString());
    expect(writtenLateMs(slump)).toBeNull();
    expect(writtenLateMs(late)).toBe(ms(560));
  });

  test('is not of what is still to come, and was not written before it happened', () => {
    expect(refuseHappened(ms(500), ms(499))).toBeNull();
    expect(refuseHappened(ms(500), ms(490))).toMatch(/still to come/);
    expect(refuseWritten({ at: slump.at, writtenAt: new Date(ms(400)).toISOString() })).toMatch(
      /not before/,
    );
    expect(refuseWritten(late)).toBeNull();
  });

  test('does not go into a closed pour by way of an earlier time', () => {
    const closed = replay([entry('close', {}, 600)]);
    const earlier = { ...entry('note', { text: 'forgotten' }, 590) };
    expect(refuseClosed(closed, earlier)).toBeNull();
    const after = of(earlier, { writtenAt: new Date(ms(700)).toISOString() });
    expect(refuseClosed(closed, after)).toMatch(/Open it again/);
  });
});

describe('what is put right', () => {
  const asked = entry(
    'question',
    { number: 1, elementIds: ['W'], text: 'Which bars?', to: 'engineer' },
    400,
  );
  const reworded = of(
    entry(
      'question',
      { number: 1, elementIds: ['W'], text: 'Which top bars?', to: 'engineer' },
      401,
    ),
    { supersedes: asked.id },
  );
  const answer = entry(
    'answer',
    { questionId: asked.id, text: 'No. 5', role: 'engineer', by: 'M. Sand' },
    410,
  );

  test('is still what others speak of: a question that was reworded keeps its answer', () => {
    for (const log of [
      [asked, reworded, answer],
      [answer, asked, reworded],
    ]) {
      const [only, ...more] = questionsOf(replay(log));
      expect(more).toEqual([]);
      expect(only).toMatchObject({ id: asked.id, entry: { id: reworded.id } });
      expect(only?.answer?.body.by).toBe('M. Sand');
      expect(openQuestions(replay(log))).toEqual([]);
    }
  });

  test('names fields its kind has, and what is signed, closed or told to the plant is not put right', () => {
    for (const kind of EVENT_KINDS) {
      const shape = (kindOf(kind).body as unknown as { shape?: object }).shape ?? {};
      for (const f of correctable({ kind }) ?? []) expect(Object.keys(shape)).toContain(f.name);
    }
    const fixed = EVENT_KINDS.filter((kind) => correctable({ kind }) === null);
    expect(fixed).toEqual(expect.arrayContaining(['sign', 'close', 'order', 'override']));
    expect(fixed).not.toContain('load-arrived');
  });

  test('leaves one entry of the two', () => {
    expect(entries(replay([asked, reworded]), 'question')).toHaveLength(1);
  });
});
