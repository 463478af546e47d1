import { useState } from 'react';
import {
  changeText,
  RULE_CATALOG,
  RULE_IDS,
  type Ruled,
  type RuleEntry,
  type RuleId,
  ruleText,
} from '#core/rules';
import { quantityText } from '#core/units';
import { Sheet } from '../ui/Dialog.tsx';
import { QuantityField } from '../ui/QuantityField.tsx';
import { T } from '../ui/Text.tsx';
import { usePour } from './pour-context.tsx';
import { useSession } from './session.tsx';

const PROFILE = { 'us-aci': 'US profile, ACI and IRC', 'metric-en': 'metric profile, EN' };

/** Every rule of the site: what it is, where from, who changed it; a foreman can change it here. */
export default function RulesSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { account } = useSession();
  const [find, setFind] = useState('');
  const [editing, setEditing] = useState<RuleId | null>(null);
  const all = RULE_IDS.map((id) => v.rules.ruled(id)).filter((r) =>
    `${r.title} ${RULE_CATALOG[r.id].group} ${r.source}`
      .toLowerCase()
      .includes(find.trim().toLowerCase()),
  );
  const groups = [...new Set(all.map((r) => RULE_CATALOG[r.id].group))];
  const changed = all.filter((r) => r.change).length;
  return (
    <Sheet open onClose={onClose} title="Rules of this site">
      <p className="mb-3">
        {v.record.site.name}: {PROFILE[v.record.site.ruleProfile]}
        {changed ? `, ${changed} changed here` : ', none changed'}. A change opens every sign-off
        again. Drawings, engineer and local code rule over all of them.
      </p>
      <label className="block">
        Find
        <input
          className="field mt-0.5 mb-2"
          value={find}
          onChange={(e) => {
            setFind(e.target.value);
          }}
        />
      </label>
      {all.length === 0 && <p>No rule is called that.</p>}
      {groups.map((g) => (
        <section key={g} className="mb-3">
          <h3 className="head border-b-2 border-ink pb-0.5">{g}</h3>
          <div className="rows">
            {all
              .filter((r) => RULE_CATALOG[r.id].group === g)
              .map((r) =>
                editing === r.id ? (
                  <RuleForm
                    key={r.id}
                    rule={r}
                    onDone={() => {
                      setEditing(null);
                    }}
                  />
                ) : (
                  <RuleRow
                    key={r.id}
                    rule={r}
                    onEdit={
                      account.role === 'foreman'
                        ? () => {
                            setEditing(r.id);
                          }
                        : null
                    }
                  />
                ),
              )}
          </div>
        </section>
      ))}
    </Sheet>
  );
}

function RuleRow({ rule, onEdit }: { rule: Ruled; onEdit: (() => void) | null }) {
  const { units } = usePour();
  const changed = changeText(rule, units);
  return (
    <div className="flex items-center gap-3 py-1.5">
      <p className="min-w-0 flex-1">
        {rule.title}
        <span
          className={`block text-[14px] leading-[18px] ${changed ? 'font-semibold text-ochre-t' : 'text-ink2'}`}
        >
          <T>{changed ?? rule.source}</T>
        </span>
      </p>
      <b className="shrink-0">
        <T>{ruleText(rule.id, rule.value, units)}</T>
      </b>
      {onEdit && (
        <button
          type="button"
          className="min-h-12 px-2 font-semibold text-press underline underline-offset-4"
          aria-label={`Change: ${rule.title}`}
          onClick={onEdit}
        >
          Change
        </button>
      )}
    </div>
  );
}

function RuleForm({ rule, onDone }: { rule: Ruled; onDone: () => void }) {
  const v = usePour();
  const entry: RuleEntry = RULE_CATALOG[rule.id];
  const [value, setValue] = useState<number | null>(rule.value);
  const [reason, setReason] = useState('');
  const say = (n: number) => quantityText(n, entry.quantity, v.units);
  const outside = value !== null && (value < entry.least || value > entry.most);
  const save = (to: number | null) => {
    void v.saveRule(rule.id, to, reason.trim()).then((ok) => {
      if (ok) onDone();
    });
  };
  return (
    <form
      className="flex flex-col gap-2 bg-ground p-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (value !== null && !outside) save(value);
      }}
    >
      <QuantityField
        label={rule.title}
        quantity={entry.quantity}
        units={v.units}
        value={value}
        onChange={setValue}
        autoFocus
        error={outside ? `Must lie between ${say(entry.least)} and ${say(entry.most)}.` : undefined}
        note={`${say(rule.profileValue)} in the profile: ${rule.source}`}
      />
      <label>
        Why
        <input
          className="field mt-0.5"
          value={reason}
          onChange={(e) => {
            setReason(e.target.value);
          }}
          placeholder="not needed, but kept"
        />
      </label>
      <div className="flex flex-wrap gap-2">
        <button
          className="btn flex-1"
          disabled={value === null || outside || Math.abs(value - rule.value) < 1e-12}
        >
          Change it
        </button>
        {rule.change && (
          <button
            type="button"
            className="btn line"
            onClick={() => {
              save(null);
            }}
          >
            Back to the profile
          </button>
        )}
        <button type="button" className="btn line" onClick={onDone}>
          Leave it
        </button>
      </div>
    </form>
  );
}
