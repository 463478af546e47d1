/** Where the record is had: the report as a PDF, the log with its chain of hashes. */
export function RecordLinks({ id, plain = true }: { id: string; plain?: boolean }) {
  return (
    <>
      <a
        className={`btn ${plain ? 'line' : ''}`}
        href={`/api/pours/${id}/report.pdf`}
        target="_blank"
        rel="noreferrer"
      >
        Report, PDF
      </a>
      <a className="btn line" href={`/api/pours/${id}/log.jsonl`} download>
        Log, with its chain
      </a>
    </>
  );
}
