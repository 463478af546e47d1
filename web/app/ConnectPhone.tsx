import QRCode from 'qrcode';
import useSWR from 'swr';
import type { ConnectAnswer } from '../../contract/index.ts';
import { getJson } from '../sync/api.ts';

/** Said where the page came by plain http from another machine: the browser keeps nothing there. */
export const NO_HTTPS =
  'This page came by plain http: it cannot be opened without signal here. What you enter while it is open is kept and sent. With https it works without signal too.';

/** The address as a picture that a phone's camera reads. */
function Code({ text }: { text: string }) {
  const { data } = useSWR(['qr', text], () =>
    QRCode.toString(text, { type: 'svg', margin: 2, errorCorrectionLevel: 'M' }),
  );
  return data ? (
    <img
      className="h-[220px] w-[220px] bg-white"
      alt={`Code for ${text}`}
      src={`data:image/svg+xml,${encodeURIComponent(data)}`}
    />
  ) : null;
}

function whatItNeeds({ help, secure }: ConnectAnswer): string {
  if (help)
    return 'The phone is in the same network. The page says how it takes the site’s certificate over, once; then it works without signal.';
  return secure
    ? 'The phone is in the same network, and works without signal once it has been here.'
    : NO_HTTPS;
}

/** How another device gets here: the code to read with its camera, and what it needs. */
export function ConnectPhone() {
  const { data, error } = useSWR<ConnectAnswer, Error>('/api/connect', getJson);
  if (!data) return <p>{error ? error.message : 'One moment.'}</p>;
  if (!data.open)
    return (
      <p>
        This server is heard on its own machine alone. Start it with <code>HOST=0.0.0.0</code> and{' '}
        <code>-- --https</code>, and phones in the same network can come in.
      </p>
    );
  const first = data.help ?? data.address;
  return (
    <section aria-label="Connect a phone" className="flex flex-wrap gap-4">
      <Code text={first} />
      <div className="min-w-0 flex-1 basis-[200px]">
        <p className="font-mono font-semibold [overflow-wrap:anywhere]">{first}</p>
        <p className="mt-2">{whatItNeeds(data)}</p>
      </div>
    </section>
  );
}
