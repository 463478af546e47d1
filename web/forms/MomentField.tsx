import { localDate, minuteOfDay, wallMs } from '#core/weather';
import { useSite } from '../app/site-context.tsx';
import { QuantityField } from '../ui/QuantityField.tsx';

/** A day and a time of the site's own clock. */
export function MomentField({
  label,
  ms,
  onChange,
  error,
}: {
  label: string;
  ms: number;
  onChange: (ms: number) => void;
  error?: string | undefined;
}) {
  const { site, units } = useSite();
  const date = localDate(ms, site.timeZone);
  const minute = Math.floor(minuteOfDay(ms, site.timeZone));
  const to = (day: string, min: number) => {
    if (day !== date || min !== minute) onChange(wallMs(day, min, site.timeZone));
  };
  return (
    <div className="col-span-full grid grid-cols-2 items-start gap-3">
      <QuantityField
        label={label}
        quantity={null}
        units={units}
        clock
        value={minute}
        onChange={(n) => {
          if (n !== null && n >= 0 && n < 1440) to(date, n);
        }}
        error={error}
      />
      <label>
        Day
        <input
          type="date"
          className="field mt-0.5"
          value={date}
          onChange={(e) => {
            if (e.target.value) to(e.target.value, minute);
          }}
        />
      </label>
    </div>
  );
}
