import type { Response } from 'express';

/**
 * Sends a PDF to be shown, not kept. The framework writes the name of the file as a header takes
 * it, whatever the pour is called.
 */
export function sendPdf(res: Response, name: string, pdf: Uint8Array): void {
  res.attachment(name);
  const disposition = res.get('Content-Disposition') ?? '';
  res
    .set('Content-Disposition', disposition.replace(/^attachment/, 'inline'))
    .type('application/pdf')
    .send(Buffer.from(pdf));
}
