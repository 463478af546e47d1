import fs from 'node:fs';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { ReportInput } from './document.ts';

/** The worker stands beside this file in the sources and in report/ of the built server. */
const worker = [
  path.join(import.meta.dirname, 'report/pdf-worker.js'),
  path.join(import.meta.dirname, 'pdf-worker.ts'),
];

/** Makes the PDF in a worker thread, so that logging goes on meanwhile. */
export async function renderReport(input: ReportInput): Promise<Buffer> {
  const file = worker.find((f) => fs.existsSync(f));
  if (!file) throw new Error('the report worker is not built');
  return new Promise((resolve, reject) => {
    const thread = new Worker(file, { workerData: input });
    thread.once('message', (bytes: Uint8Array) => {
      resolve(Buffer.from(bytes));
      void thread.terminate();
    });
    thread.once('error', reject);
    thread.once('exit', (code) => {
      if (code !== 0) reject(new Error(`the report worker ended with ${code}`));
    });
  });
}
