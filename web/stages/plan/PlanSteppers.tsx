import type { PourSettings } from '#core/model';
import { clockText, M3_PER_YD3, temperatureFigure, volume } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { LiftSteppers } from './Lifts.tsx';
import { Stepper } from './Stepper.tsx';

/** What is stepped up and down: when it begins, how fast, with what waste, at what warmth, from where. */
export function PlanSteppers() {
  const v = usePour();
  const { plan } = v;
  const s = v.record.pour.settings;
  const save = (change: Partial<PourSettings>) => {
    void v.saveSettings(change);
  };
  const rateStep = v.units === 'us' ? 2 * M3_PER_YD3 : 1;
  const firstLeg = plan.route.legs[0];
  return (
    <div className="grid grid-cols-1 gap-2 sm:grid-cols-2">
      <Stepper
        label="first load"
        value={clockText(s.firstLoadMin)}
        less={() => {
          save({ firstLoadMin: Math.max(0, s.firstLoadMin - 15) });
        }}
        more={() => {
          save({ firstLoadMin: Math.min(1425, s.firstLoadMin + 15) });
        }}
      />
      <Stepper
        label={v.units === 'us' ? 'yd³ an hour' : 'm³ an hour'}
        value={volume(s.placingRateM3PerH, v.units, 0).value}
        less={() => {
          save({ placingRateM3PerH: Math.max(rateStep, s.placingRateM3PerH - rateStep) });
        }}
        more={() => {
          save({ placingRateM3PerH: s.placingRateM3PerH + rateStep });
        }}
      />
      <LiftSteppers />
      <Stepper
        label="waste in 100"
        value={String(Math.round(s.wasteRatio * 100))}
        less={() => {
          save({ wasteRatio: Math.max(0, Math.round(s.wasteRatio * 100 - 1) / 100) });
        }}
        more={() => {
          save({ wasteRatio: Math.min(1, Math.round(s.wasteRatio * 100 + 1) / 100) });
        }}
      />
      <Stepper
        label="min between loads"
        value={String(Math.round(plan.trucks.result.spacingMin))}
        less={() => {
          save({ spacingMin: Math.max(1, Math.round(plan.trucks.result.spacingMin) - 1) });
        }}
        more={() => {
          save({ spacingMin: Math.min(240, Math.round(plan.trucks.result.spacingMin) + 1) });
        }}
      />
      <Stepper
        label={`concrete, ${temperatureFigure(0, v.units).unit}`}
        value={temperatureFigure(s.concreteTempC, v.units).value}
        less={() => {
          save({ concreteTempC: Math.max(0, s.concreteTempC - 1) });
        }}
        more={() => {
          save({ concreteTempC: Math.min(60, s.concreteTempC + 1) });
        }}
      />
      <Stepper
        label="start at"
        value={firstLeg ? `${firstLeg.startNode ?? firstLeg.elementId}` : ''}
        less={() => {
          save({
            startAt:
              (s.startAt + v.record.pour.elements.length - 1) % v.record.pour.elements.length,
          });
        }}
        more={() => {
          save({ startAt: (s.startAt + 1) % v.record.pour.elements.length });
        }}
      />
    </div>
  );
}
