import { added } from './added.ts';
import { answer } from './answer.ts';
import { breakTest } from './break-test.ts';
import { close } from './close.ts';
import { cylinders } from './cylinders.ts';
import { defect } from './defect.ts';
import { fix } from './fix.ts';
import { freshTest } from './fresh-test.ts';
import { hand } from './hand.ts';
import { incident } from './incident.ts';
import { item } from './item.ts';
import { level } from './level.ts';
import { line } from './line.ts';
import { loadArrived } from './load-arrived.ts';
import { loadEnd } from './load-end.ts';
import { loadStep } from './load-step.ts';
import { loadVerdict } from './load-verdict.ts';
import { mark } from './mark.ts';
import { note } from './note.ts';
import { order } from './order.ts';
import { override } from './override.ts';
import { photo } from './photo.ts';
import { placeStart } from './place-start.ts';
import { placeStop } from './place-stop.ts';
import { probe } from './probe.ts';
import { question } from './question.ts';
import { reading } from './reading.ts';
import { reopen } from './reopen.ts';
import { seamTest } from './seam-test.ts';
import { seen } from './seen.ts';
import { setup } from './setup.ts';
import { sign } from './sign.ts';
import { slump } from './slump.ts';
import { square } from './square.ts';
import { strip } from './strip.ts';
import { supersede } from './supersede.ts';
import { task } from './task.ts';
import { template } from './template.ts';
import { trouble, troubleOver, wayOn } from './trouble.ts';
import { visitor } from './visitor.ts';
import { water } from './water.ts';
import { weather } from './weather.ts';
import { worked } from './worked.ts';

/** Every kind of entry there is, by its name in the log. To add one: a file here, and its line in this list. */
export const ENTRY_KINDS = {
  reading,
  mark,
  fix,
  item,
  photo,
  seen,
  setup,
  level,
  square,
  line,
  sign,
  override,
  order,
  question,
  answer,
  note,
  weather,
  'load-arrived': loadArrived,
  slump,
  water,
  'load-verdict': loadVerdict,
  'load-step': loadStep,
  'fresh-test': freshTest,
  cylinders,
  added,
  'load-end': loadEnd,
  'place-start': placeStart,
  'place-stop': placeStop,
  'seam-test': seamTest,
  task,
  template,
  trouble,
  'way-on': wayOn,
  'trouble-over': troubleOver,
  incident,
  hand,
  visitor,
  probe,
  strip,
  defect,
  'break-test': breakTest,
  worked,
  close,
  reopen,
  supersede,
} as const;
