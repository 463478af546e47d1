/** The public face of this room: what others use of it. */
export { alarmWords, pressing, seamMoveText, seamTone } from './alarms.ts';
export { balanceText } from './balance.ts';
export { holdText } from './gate.ts';
export { apartOrderText } from './order.ts';
export { coldSentence, coldStretchText } from './cold-seam.ts';
export { entryText } from './entry-text.ts';
export {
  limitWord,
  MORNINGS,
  orderWayText,
  ofHundred,
  remedyText,
  seamText,
  routeWhy,
  ruleWord,
  startReasonText,
  whatGoesWrong,
  whatIfTitle,
} from './plan.ts';
export { batchLines, mixerSentence, mixerText } from './mixer.ts';
export { remindersAt } from './reminders.ts';
export { braceText } from './turns.ts';
export { readWeatherText, weatherAsksText } from './weather.ts';
export { riseText } from './rise.ts';
export { layingName, layingText, wayNoteText } from './way.ts';
export { aheadText, lostText, sentBackText } from './outlook.ts';
export { gaugedL, waterAdviceText, waterText } from './water.ts';
export { acceptanceText } from './acceptance.ts';
export { supplyWords } from './supply.ts';
export { PRICE_WORDS, weighedText } from './prices.ts';
export { FIRST_AID, peopleFirst } from './trouble.ts';
export { saysToldToWait, toldToWait } from './told-to-wait.ts';
export { wayFigures, wayWords } from './ways.ts';
export {
  apartText,
  LOAD_ADVICE,
  loadFactsText,
  loadVerdictText,
  setAsksText,
  onTheRoadText,
  stageText,
} from './loads.ts';
export { FIRST_VISIT, HELP, type HelpId } from './help.ts';
export { CURED_BY_WORDS, careTexts } from './care.ts';
export { deepVibrationText, formSystemText } from './forms.ts';
