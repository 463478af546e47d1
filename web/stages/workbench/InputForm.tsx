import { Plus, X } from 'lucide-react';
import { Numbers, Texts } from './NumberLists.tsx';
import { Wrong } from './Wrong.tsx';
import { choiceText, type InputIssue, isClock, labelOf } from '#core/kit';
import type { FieldInfo } from '#core/register';
import { barText, type UnitSystem } from '#core/units';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Choice } from './Choice.tsx';

type Values = Record<string, unknown>;
interface FormProps {
  id: string;
  fields: FieldInfo[];
  value: Values;
  onChange: (next: Values) => void;
  units: UnitSystem;
  issues: InputIssue[];
  path?: string;
  notes?: Record<string, string>;
}

const without = (value: Values, name: string): Values =>
  Object.fromEntries(Object.entries(value).filter(([k]) => k !== name));

/** The fields of a calculation, each as its kind asks; lists of rows as small tables. */
export function InputForm({
  id,
  fields,
  value,
  onChange,
  units,
  issues,
  path = '',
  notes = {},
}: FormProps) {
  const set = (name: string, to: unknown) => {
    onChange(to === undefined || to === null ? without(value, name) : { ...value, [name]: to });
  };
  return (
    <div className="grid grid-cols-2 gap-x-3 gap-y-2.5">
      {fields.map((f) => {
        const at = `${path}${f.name}`;
        const error = issues.find((i) => i.path === at)?.message;
        const wide = ['rows', 'group', 'choice', 'numbers'].includes(f.kind);
        return (
          <div key={f.name} className={wide ? 'col-span-2 min-w-0' : 'min-w-0'}>
            <Field
              {...{ id, f, units, issues, at, error, note: notes[f.name] }}
              value={value[f.name]}
              onChange={(to) => {
                set(f.name, to);
              }}
            />
          </div>
        );
      })}
    </div>
  );
}

interface FieldProps {
  id: string;
  f: FieldInfo;
  value: unknown;
  onChange: (to: unknown) => void;
  units: UnitSystem;
  issues: InputIssue[];
  at: string;
  error: string | undefined;
  note: string | undefined;
}

function Field({ id, f, value, onChange, units, issues, at, error, note }: FieldProps) {
  const label = labelOf(f.name);
  switch (f.kind) {
    case 'number':
      return (
        <QuantityField
          label={label}
          quantity={f.quantity}
          units={units}
          value={typeof value === 'number' ? value : null}
          onChange={onChange}
          clock={isClock(f.name, id)}
          required={f.required}
          note={note}
          error={error}
        />
      );
    case 'boolean':
      return (
        <Choice
          label={label}
          error={error}
          note={note}
          options={[
            ['yes', true],
            ['no', false],
          ]}
          value={value}
          onPick={onChange}
        />
      );
    case 'choice':
      return f.choices.length > 8 ? (
        <label className="block">
          <span className="first-letter:uppercase">{label}</span>
          <select
            className="field mt-0.5"
            value={typeof value === 'string' || typeof value === 'number' ? value : ''}
            onChange={(e) => {
              onChange(e.target.value);
            }}
          >
            {value === undefined && <option value="">choose</option>}
            {f.choices.map((c) => (
              <option key={c} value={c}>
                {barText(String(c))}
              </option>
            ))}
          </select>
          {error && <Wrong text={error} />}
        </label>
      ) : (
        <Choice
          label={label}
          error={error}
          note={note}
          options={f.choices.map((c) => [inchesOrPounds(f.name, c) ?? choiceText(c), c])}
          value={value}
          onPick={onChange}
        />
      );
    case 'text':
      return (
        <label className="block">
          <span className="first-letter:uppercase">{label}</span>
          <input
            className="field mt-0.5"
            value={typeof value === 'string' ? value : ''}
            onChange={(e) => {
              onChange(e.target.value);
            }}
          />
          {error && <Wrong text={error} />}
        </label>
      );
    case 'numbers':
      return (
        <Numbers
          {...{ f, label, units, error }}
          value={Array.isArray(value) ? (value as number[]) : []}
          issues={issues}
          at={at}
          onChange={onChange}
        />
      );
    case 'rows':
      return (
        <Rows
          {...{ id, f, label, units, issues, at, error }}
          value={Array.isArray(value) ? (value as Values[]) : []}
          onChange={onChange}
        />
      );
    case 'group':
      return (
        <fieldset className="border-l-4 border-line pl-3">
          <legend className="first-letter:uppercase">{label}</legend>
          <InputForm
            id={id}
            fields={f.fields}
            value={(value ?? {}) as Values}
            onChange={onChange}
            units={units}
            issues={issues}
            path={`${at}.`}
          />
        </fieldset>
      );
    case 'other':
      return (
        <Texts
          label={label}
          value={Array.isArray(value) ? value.map(String) : []}
          onChange={onChange}
          error={error}
        />
      );
  }
}

interface RowsProps {
  id: string;
  f: FieldInfo;
  label: string;
  value: Values[];
  onChange: (to: Values[]) => void;
  units: UnitSystem;
  issues: InputIssue[];
  at: string;
  error: string | undefined;
}

/** A choice that is a size of a thing sold in inches or pounds keeps its unit, on every site. */
function inchesOrPounds(name: string, choice: string | number): string | null {
  if (name.endsWith('In')) return `${choice} in`;
  return name.endsWith('Lb') ? `${choice} lb` : null;
}

function firstValue(x: FieldInfo): unknown {
  if (x.kind === 'number') return 0;
  return x.kind === 'text' ? '' : x.choices[0];
}

/** A list of rows: each its own small form, with one more made like the last. */
function Rows({ id, f, label, value, onChange, units, issues, at, error }: RowsProps) {
  const blank = Object.fromEntries(
    f.fields.filter((x) => x.required).map((x) => [x.name, firstValue(x)]),
  );
  return (
    <fieldset>
      <legend className="mb-1 w-full border-b-2 border-ink first-letter:uppercase">
        <span className="head">{label}</span>
      </legend>
      <div className="flex flex-col gap-2">
        {value.map((row, i) => (
          <div key={`${i}/${value.length}`} className="flex items-start gap-2">
            <div className="min-w-0 flex-1">
              <InputForm
                id={id}
                fields={f.fields}
                value={row}
                onChange={(to) => {
                  onChange(value.map((x, k) => (k === i ? to : x)));
                }}
                units={units}
                issues={issues}
                path={`${at}.${i}.`}
              />
            </div>
            <button
              type="button"
              className="key w-12 shrink-0"
              aria-label={`Take out ${label} ${i + 1}`}
              onClick={() => {
                onChange(value.filter((_, k) => k !== i));
              }}
            >
              <X size={18} />
            </button>
          </div>
        ))}
      </div>
      {error && <Wrong text={error} />}
      <button
        type="button"
        className="btn soft mt-2 w-full"
        onClick={() => {
          onChange([...value, { ...(value.at(-1) ?? blank) }]);
        }}
      >
        <Plus size={18} />
        {value.length ? 'One more' : `Add ${label}`}
      </button>
    </fieldset>
  );
}
