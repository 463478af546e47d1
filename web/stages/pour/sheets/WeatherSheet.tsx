import { latest, SKIES, weather } from '#core/log';
import { asShown, type Quantity } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { ChipChoice, QuantityInput } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

const HOUR_MS = 3_600_000;

/** The weather as it is: what was logged last or the forecast of the hour stands there, to be put right. */
export function WeatherSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const hour = v.weather.find((h) => {
    const from = Date.parse(h.at);
    return from <= v.nowMs && v.nowMs < from + HOUR_MS;
  });
  const shown = (value: number | undefined, quantity: Quantity) =>
    value === undefined ? undefined : asShown(value, quantity, v.units);
  const defaults = {
    airTempC: shown(latest(v.state, 'weather')?.body.airTempC ?? hour?.airTempC, 'C'),
    humidity: hour && Math.round(hour.humidity * 100) / 100,
    windKmH: shown(hour?.windKmH, 'KmH'),
    sky: hour?.sky ?? 'clear',
  };
  return (
    <Sheet open onClose={onClose} title="Weather now">
      <EntryForm
        schema={weather.body}
        defaults={defaults}
        write={(body, when) => v.write('weather', body, when).then(onClose)}
        happened="ask"
        act="Log weather"
        className="grid grid-cols-2 gap-3 sm:grid-cols-3"
      >
        <QuantityInput name="airTempC" label="Air" autoFocus />
        <QuantityInput name="humidity" label="Humidity" required={false} />
        <QuantityInput name="windKmH" label="Wind" required={false} />
        <ChipChoice name="sky" options={SKIES} />
      </EntryForm>
    </Sheet>
  );
}
