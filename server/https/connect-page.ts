/** Steps a phone takes once to trust the site's own authority, each with its picture. */
const STEPS = [
  {
    title: 'Fetch the site’s certificate',
    text: 'Press the button. The phone says that it has been downloaded, or asks whether to install it.',
    picture:
      '<rect x="30" y="8" width="60" height="104" rx="6"/><path d="M60 34v40m-14-14 14 14 14-14M44 88h32"/>',
  },
  {
    title: 'Install it as an authority',
    text: 'Android: Settings, Security, More, Install a certificate, CA certificate. iPhone: Settings, Profile downloaded, Install; then General, About, Certificate trust settings, switch it on.',
    picture:
      '<rect x="30" y="8" width="60" height="104" rx="6"/><path d="M60 30l20 8v18c0 16-10 24-20 28-10-4-20-12-20-28V38zM50 58l8 8 14-16"/>',
  },
  {
    title: 'Open Jactum',
    text: 'Press the link below. A lock stands in the address, and Jactum goes on working without signal. Add it to the home screen.',
    picture:
      '<rect x="30" y="8" width="60" height="104" rx="6"/><rect x="46" y="52" width="28" height="22"/><path d="M51 52v-8a9 9 0 0 1 18 0v8M42 90h36"/>',
  },
];

const STYLE = `body{margin:0;background:#f6f0e6;color:#1e2528;font:18px/26px system-ui,sans-serif}
main{max-width:640px;margin:0 auto;padding:24px}h1{font-size:32px;line-height:36px;margin:0 0 8px}
ol{list-style:none;padding:0;margin:24px 0}li{display:grid;grid-template-columns:120px 1fr;gap:20px;align-items:center;border-top:1px solid #cfc6b4;padding:16px 0}
svg{width:120px;height:120px;fill:none;stroke:#1e2528;stroke-width:4}h2{font-size:22px;line-height:26px;margin:0 0 4px}p{margin:0}
a.btn{display:block;margin:12px 0;padding:14px 18px;background:#1d5c9a;color:#fff;font-weight:600;text-align:center;text-decoration:none}
.small{font-size:15px;line-height:21px;color:#4a5355}`;

/**
 * The page that explains how a phone takes the site's authority over. It stands on plain http,
 * where every phone can read it.
 */
export const connectPage = (address: string): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<title>Connect a phone to Jactum</title><style>${STYLE}</style></head><body><main>
<h1>Connect this phone</h1>
<p>Once. From then on Jactum works on it without signal too.</p>
<a class="btn" href="/authority.crt">Fetch the certificate</a>
<ol>${STEPS.map((s) => `<li><svg viewBox="0 0 120 120" aria-hidden="true">${s.picture}</svg><div><h2>${s.title}</h2><p>${s.text}</p></div></li>`).join('')}</ol>
<a class="btn" href="${address}">Open ${address}</a>
<p class="small">The authority belongs to this site’s server alone; its key does not leave it. Remove it from the phone when the site is done. Where your company manages the phones, ask before you install it.</p>
</main></body></html>`;
