import { ArrowRight, Delete } from 'lucide-react';
import type { ReactNode } from 'react';
import type { FootInch, UnitSystem } from '#core/units';
import { T } from '../ui/Text.tsx';

const EIGHTHS = ['1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8'];

/** A second press on the same eighth gives the sixteenth above it. */
function withFraction(text: string, fraction: string): string {
  const m = /^(.*?)(\d+)\/(\d+)$/.exec(text);
  if (!m) return `${text}${text && !text.endsWith(' ') ? ' ' : ''}${fraction}`;
  const [, head = '', num = '0', den = '1'] = m;
  const [n = 1, d = 8] = fraction.split('/').map(Number);
  if (Number(num) / Number(den) === n / d) return `${head}${(n * 16) / d + 1}/16`;
  return `${head}${fraction}`;
}

interface Props {
  units: UnitSystem;
  /** Readings may lie below the mark. */
  signed: boolean;
  text: string;
  set: (text: string) => void;
  take: () => void;
  takeLabel: string;
  /** What is typed, in feet and inches. */
  shown: FootInch | null;
}

const key = (label: ReactNode, act: () => void, className = '', aria?: string) => (
  <button
    key={aria ?? (typeof label === 'string' ? label : 'key')}
    type="button"
    className={`key ${className}`}
    aria-label={aria}
    onClick={act}
  >
    {label}
  </button>
);

/** The keys of figures, units and signs. On a phone they stand in another order: see the order classes. */
function keysOf({ units, signed, text, set }: Pick<Props, 'units' | 'signed' | 'text' | 'set'>) {
  const digits = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'].map((d, i) =>
    key(
      d,
      () => {
        set(/\/\d+$/.test(text) ? text : text + d);
      },
      i < 5 ? 'max-sm:order-1' : 'max-sm:order-2',
    ),
  );
  const back = key(
    <Delete size={24} />,
    () => {
      set(text.replace(/\s*(\d+\/\d+|.)$/, ''));
    },
    `fn ${units === 'us' ? 'max-sm:order-4' : 'max-sm:order-1'}`,
    'Back',
  );
  const sign = signed
    ? [
        key(
          '±',
          () => {
            set(text.startsWith('-') ? text.slice(1) : `-${text}`);
          },
          'max-sm:order-6',
          'Below or above the mark',
        ),
      ]
    : [];
  const ends =
    units === 'us'
      ? [
          key(
            'ft',
            () => {
              set(`${text.trim()}' `);
            },
            'fn max-sm:order-1',
          ),
          key(
            'in',
            () => {
              set(`${text.trim()}"`);
            },
            'fn max-sm:order-2',
          ),
        ]
      : [];
  const clear = () =>
    key(
      'clear',
      () => {
        set('');
      },
      'fn max-sm:order-6',
    );
  const point = () =>
    key(
      '.',
      () => {
        set(`${text}.`);
      },
      'max-sm:order-2',
    );
  const unsigned = units === 'us' ? clear : point;
  const last = signed ? sign[0] : unsigned();
  return { digits, back, ends, last };
}

/** The pad's keys, and the press that takes what is typed. */
export function TapeKeys({ units, signed, text, set, take, takeLabel, shown }: Props) {
  const { digits, back, ends, last } = keysOf({ units, signed, text, set });
  const wholeRow = units === 'us' ? 'sm:grid-cols-7' : 'sm:grid-cols-6';
  return (
    <div className="grid grid-cols-6 gap-2 sm:flex">
      <div className={`col-span-6 grid grid-cols-6 gap-2 sm:flex-1 ${wholeRow}`}>
        {digits.slice(0, 5)}
        {ends[0]}
        {back}
        {digits.slice(5)}
        {ends[1]}
        {last}
        {units === 'us' &&
          EIGHTHS.map((f, i) =>
            key(
              <T>{f}</T>,
              () => {
                set(withFraction(text, f));
              },
              i < 5 ? 'max-sm:order-3' : 'max-sm:order-5',
              f,
            ),
          )}
        <button
          type="button"
          className={`btn max-sm:order-7 sm:hidden ${units === 'us' ? 'col-span-3' : 'col-span-6'}`}
          style={{ paddingInline: 4 }}
          onClick={take}
        >
          {takeLabel}
          {shown && shown.numerator > 0 && <T>{`${shown.numerator}/${shown.denominator}`}</T>}
          <ArrowRight />
        </button>
      </div>
      <button
        type="button"
        className="btn hidden! w-[72px] flex-col! sm:flex!"
        style={{ paddingInline: 4 }}
        onClick={take}
      >
        {takeLabel}
        {shown && shown.numerator > 0 && (
          <span className="text-[22px]">
            <T>{`${shown.numerator}/${shown.denominator}`}</T>
          </span>
        )}
        <ArrowRight />
      </button>
    </div>
  );
}
