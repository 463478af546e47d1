import { HOLD_NAME, readingText } from '../check/words.ts';
import type { LogEvent } from '../model/events.ts';
import { calculationNamed } from '../register/index.ts';
import {
  lengthText,
  strength,
  temperatureFigure,
  textOf,
  volume,
  wind,
  type UnitSystem,
} from '../units/index.ts';

/** A check's id as it is spoken: "E1 cover inside". */
const checkName = (id: string): string => id.replace('/', ' ').replace('-', ' ');
const share = (ratio: number): string => `${Math.round(ratio * 100)} of 100`;

/** One entry of the log in the trade's words, for the screen and the report alike. */
export function entryText(e: LogEvent, units: UnitSystem): string {
  switch (e.kind) {
    case 'reading':
      return `${checkName(e.body.checkId)}: ${readingText(e.body.value, units)}`;
    case 'mark':
      return `${checkName(e.body.checkId)}: ${e.body.result === 'pass' ? 'looked at, good' : (e.body.reason ?? e.body.result)}`;
    case 'fix':
      return `${checkName(e.body.checkId)} fixed: ${e.body.what}`;
    case 'sign':
      return `${HOLD_NAME[e.body.hold]} ${e.body.result === 'pass' ? 'passed' : 'rejected'}${e.body.reason ? `: ${e.body.reason}` : ''} (plan ${e.body.planVersion})`;
    case 'override':
      return `Poured against the gate: ${e.body.reason}`;
    case 'question':
      return `Question ${e.body.number} to ${e.body.to} on ${e.body.elementIds.join(', ')}: ${e.body.text}`;
    case 'answer':
      return `${e.body.role} answers: ${e.body.text}`;
    case 'note':
    case 'incident':
      return e.body.text;
    case 'weather':
      return [
        `Air ${textOf(temperatureFigure(e.body.airTempC, units))}`,
        e.body.sky,
        e.body.humidity === undefined ? '' : `humidity ${share(e.body.humidity)}`,
        e.body.windKmH === undefined ? '' : `wind ${textOf(wind(e.body.windKmH, units))}`,
      ]
        .filter(Boolean)
        .join(', ');
    case 'load-arrived':
      return `${e.body.loadId} here, ticket ${e.body.ticket}, ${textOf(volume(e.body.volumeM3, units))}`;
    case 'slump':
      return `${e.body.loadId} slump ${lengthText(e.body.measuredMm, units)} at the ${e.body.where}`;
    case 'load-verdict':
      return `${e.body.loadId} ${e.body.decision === 'accept' ? 'accepted' : 'sent back'}${e.body.reason ? `: ${e.body.reason}` : ''}`;
    case 'load-end':
      return `${e.body.loadId} done${e.body.returnedM3 > 0 ? `, ${textOf(volume(e.body.returnedM3, units))} went back` : ''}`;
    case 'place-start':
      return `Placing ${e.body.elementId}, lift ${e.body.lift + 1}${e.body.loadId ? `, from ${e.body.loadId}` : ''}`;
    case 'place-stop':
      return `${e.body.elementId}, lift ${e.body.lift + 1}: ${share(e.body.filledRatio)} filled`;
    case 'probe':
      return `Concrete ${textOf(temperatureFigure(e.body.tempC, units))}${e.body.where ? `, ${e.body.where}` : ''}`;
    case 'task':
      return `${e.body.taskId.replace('/', ', ')}: ${e.body.result === 'done' ? 'done' : `not done, ${e.body.reason ?? ''}`}`;
    case 'strip':
      return `Forms off: ${e.body.elementIds.join(', ')}${e.body.reason ? `. ${e.body.reason}` : ''}`;
    case 'defect':
      return `Defect on ${e.body.elementId}: ${e.body.what}`;
    case 'break-test':
      return `Cylinders at ${e.body.ageDays} days: ${textOf(strength(e.body.strengthMPa, units))}`;
    case 'worked':
      return `Worked out: ${calculationNamed(e.body.calculation)?.title ?? e.body.calculation}${e.body.note ? `, ${e.body.note}` : ''}`;
    case 'close':
      return e.body.reason ? `Pour closed: ${e.body.reason}` : 'Pour closed';
    case 'reopen':
      return `Opened again: ${e.body.reason}`;
    case 'item':
      return `Added to the list, ${e.body.elementId}: ${e.body.title}`;
    case 'photo':
      return `Photo${e.body.about.type === 'place' ? ` of ${checkName(e.body.about.checkId)}${e.body.about.moment ? `, ${e.body.about.moment}` : ''}` : e.body.about.type === 'element' ? ` of ${e.body.about.elementId}` : ' for a question'}${e.body.caption ? `: ${e.body.caption}` : ''}`;
    case 'seen':
      return `Change of type seen at ${e.body.change.replace(':', ', ').replace('>', ' to ')}`;
    case 'setup':
      return `Level set up on ${e.body.onId}, back-sight ${lengthText(e.body.backSightM * 1000, units)}`;
    case 'level':
      return `Rod on ${e.body.pointId}: ${lengthText(e.body.rodM * 1000, units)}`;
    case 'square':
      return `Square of ${e.body.corners.join(', ')}: diagonals ${e.body.diagonalsM.map((m) => lengthText(m * 1000, units)).join(' and ')}`;
    case 'line':
      return `String line of ${e.body.elementId}: ${e.body.offsets.length} offsets`;
    case 'supersede':
      return e.body.reason ? `Taken back: ${e.body.reason}` : 'Taken back';
  }
}
