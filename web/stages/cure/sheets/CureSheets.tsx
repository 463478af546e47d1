import { usePour } from '../../../app/pour-context.tsx';
import { useFocus } from '../../../app/useFocus.ts';
import { Sheet } from '../../../ui/Dialog.tsx';
import { RecordLinks } from '../RecordLinks.tsx';
import { BreakSheet } from './BreakSheet.tsx';
import { CloseSheet, ReopenSheet } from './CloseSheet.tsx';
import { DefectSheet } from './DefectSheet.tsx';
import { ProbeSheet } from './ProbeSheet.tsx';
import { StripSheet } from './StripSheet.tsx';

const SHEETS = {
  probe: ProbeSheet,
  strip: StripSheet,
  break: BreakSheet,
  defect: DefectSheet,
  close: CloseSheet,
  reopen: ReopenSheet,
  report: ReportSheet,
};

/** Sheets of the time after the pour, by the name that stands in the address. */
export default function CureSheets() {
  const { sheet, set } = useFocus();
  if (sheet === null || !(sheet in SHEETS)) return null;
  const Named = SHEETS[sheet as keyof typeof SHEETS];
  return (
    <Named
      onClose={() => {
        set({ sheet: null });
      }}
    />
  );
}

function ReportSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  return (
    <Sheet open onClose={onClose} title="Report">
      <p className="mb-4">
        Everything planned, checked, placed and cured, in one PDF, and the log with its chain of
        hashes.
      </p>
      <div className="grid grid-cols-2 gap-2">
        <RecordLinks id={v.record.id} plain={false} />
      </div>
    </Sheet>
  );
}
