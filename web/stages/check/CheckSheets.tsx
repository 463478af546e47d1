import { useState, type SubmitEvent } from 'react';
import { toast } from 'sonner';
import type { Hold } from '../../../core/model/pour.ts';
import { entries } from '../../../core/pourlog/state.ts';
import { sendJson } from '../../sync/api.ts';
import { siteNow } from '../../sync/clock.ts';
import { usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { Sheet } from '../../ui/Dialog.tsx';

/** Sheets of the Check station: signing, handing over to the inspector, questions, and going on against the gate. */
export function CheckSheets() {
  const { sheet, set } = useFocus();
  const close = () => { set({ sheet: null }); };
  if (!sheet) return null;
  const [kind, ref = ''] = sheet.split(/:(.*)/);
  if (kind === 'sign') return ref === 'inspection' ? <InspectionSheet onClose={close} /> : <OwnSheet onClose={close} />;
  if (kind === 'override') return <TextSheet title="Go on against the gate" label="Why? It stays on the report for good." button="Go on" onClose={close} act="override" />;
  if (kind === 'question') return <QuestionSheet onClose={close} />;
  if (kind === 'answer') return <AnswerSheet id={ref} onClose={close} />;
  return null;
}

function OwnSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { account } = useSession();
  const { gate } = v;
  const blocked = gate.counts.out > 0 || gate.counts.unread > 0 || gate.rows.some((r) => r.kind === 'question');
  return (
    <Sheet open onClose={onClose} title="Sign your own check">
      <p className="mb-4 text-[18px] leading-6">{gate.read} of {gate.wanted} read, {gate.counts.good} good, {gate.counts.tight} tight, {gate.counts.out} out, {gate.counts.waived} waived. Signed on plan {v.record.siteVersion}; a later change of the plan opens it again.</p>
      {blocked ? <p className="font-semibold text-chalk-t">Something still holds it. Finish the list first, or go on against the gate with a reason.</p>
        : <button type="button" className="btn w-full" onClick={() => { void v.write('sign', { hold: 'own', result: 'pass', planVersion: v.record.siteVersion }).then(onClose); }}>Sign as {account.name}</button>}
    </Sheet>
  );
}

/** The inspector signs on this tablet with their own PIN; the foreman stays signed in. */
function InspectionSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { account } = useSession();
  const [name, setName] = useState('');
  const [pin, setPin] = useState('');
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const hold: Hold = 'inspection';
  const send = async (result: 'pass' | 'reject') => {
    setProblem(null);
    if (result === 'reject' && !reason.trim()) { setProblem('Say why it is rejected.'); return; }
    const body = { hold, result, planVersion: v.record.siteVersion, ...(reason.trim() ? { reason: reason.trim() } : {}) };
    try {
      if (account.role === 'inspector') await v.write('sign', body);
      else { await sendJson('POST', `/api/pours/${v.record.id}/sign`, { name, pin, at: new Date(siteNow()).toISOString(), body }); await v.store.pull(); }
      toast(result === 'pass' ? 'Inspection passed.' : 'Inspection rejected.');
      onClose();
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'That did not work.');
    }
  };
  return (
    <Sheet open onClose={onClose} title="Inspection">
      <p className="mb-4 text-[18px] leading-6">{v.gate.read} of {v.gate.wanted} read, {v.gate.counts.tight} tight, {v.gate.counts.out} out, {v.gate.counts.waived} waived. Every reading stands on the plan and in the report.</p>
      <div className="flex flex-col gap-3">
        {account.role !== 'inspector' && <div className="grid grid-cols-2 gap-2"><label>Inspector’s name<input className="field mt-1" value={name} onChange={(e) => { setName(e.target.value); }} autoComplete="off" /></label><label>Inspector’s PIN<input className="field mt-1" type="password" inputMode="numeric" value={pin} onChange={(e) => { setPin(e.target.value); }} autoComplete="off" /></label></div>}
        <label>Remark, or reason to reject<input className="field mt-1" value={reason} onChange={(e) => { setReason(e.target.value); }} /></label>
        {problem && <p role="alert" className="font-semibold text-chalk-t">{problem}</p>}
        <div className="grid grid-cols-2 gap-2"><button type="button" className="btn" onClick={() => void send('pass')}>Pass</button><button type="button" className="btn warn" onClick={() => void send('reject')}>Reject</button></div>
      </div>
    </Sheet>
  );
}

function TextSheet({ title, label, button, act, onClose }: { title: string; label: string; button: string; act: 'override'; onClose: () => void }) {
  const v = usePour();
  const [text, setText] = useState('');
  const submit = (e: SubmitEvent) => { e.preventDefault(); if (text.trim()) void v.write(act, { reason: text.trim() }).then(onClose); };
  return <Sheet open onClose={onClose} title={title}><form className="flex flex-col gap-3" onSubmit={submit}><label>{label}<textarea className="field mt-1" rows={3} value={text} onChange={(e) => { setText(e.target.value); }} /></label><button className="btn warn" disabled={!text.trim()}>{button}</button></form></Sheet>;
}

function QuestionSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { run } = useFocus();
  const [text, setText] = useState('');
  const [to, setTo] = useState('engineer');
  const [on, setOn] = useState<string[]>([run ?? v.record.pour.elements[0] ?? '']);
  const number = Math.max(0, ...entries(v.state, 'question').map((q) => q.body.number)) + 1;
  const submit = (e: SubmitEvent) => { e.preventDefault(); if (text.trim() && on.length) void v.write('question', { number, elementIds: on, text: text.trim(), to: to.trim() || 'engineer' }).then(onClose); };
  return (
    <Sheet open onClose={onClose} title={`Question ${number}`}>
      <form className="flex flex-col gap-3" onSubmit={submit}>
        <div className="flex flex-wrap gap-2" role="group" aria-label="Runs it bears on">{v.record.pour.elements.map((e) => <button key={e} type="button" className="chip" aria-pressed={on.includes(e)} onClick={() => { setOn(on.includes(e) ? on.filter((x) => x !== e) : [...on, e]); }}>{e}</button>)}</div>
        <label>What is unclear<textarea className="field mt-1" rows={3} value={text} onChange={(e) => { setText(e.target.value); }} /></label>
        <label>Who answers<input className="field mt-1" value={to} onChange={(e) => { setTo(e.target.value); }} /></label>
        <p className="text-ink2">It holds the sign-off of these runs until it is answered.</p>
        <button className="btn" disabled={!text.trim() || on.length === 0}>Ask</button>
      </form>
    </Sheet>
  );
}

function AnswerSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const [text, setText] = useState('');
  const [role, setRole] = useState('engineer');
  const question = entries(v.state, 'question').find((q) => q.id === id);
  if (!question) return null;
  const submit = (e: SubmitEvent) => { e.preventDefault(); if (text.trim() && role.trim()) void v.write('answer', { questionId: id, text: text.trim(), role: role.trim() }).then(onClose); };
  return (
    <Sheet open onClose={onClose} title={`Question ${question.body.number}`}>
      <p className="mb-3 text-[18px] leading-6">{question.body.text}</p>
      <form className="flex flex-col gap-3" onSubmit={submit}>
        <label>Answer<textarea className="field mt-1" rows={3} value={text} onChange={(e) => { setText(e.target.value); }} /></label>
        <label>Given by<input className="field mt-1" value={role} onChange={(e) => { setRole(e.target.value); }} /></label>
        <button className="btn" disabled={!text.trim() || !role.trim()}>Keep the answer</button>
      </form>
    </Sheet>
  );
}
