import { getDocument, GlobalWorkerOptions } from 'pdfjs-dist';
import worker from 'pdfjs-dist/build/pdf.worker.min.mjs?url';

/** The long side of a page as a picture, px: fine enough to read a dimension of a plan sheet. */
const LONG_PX = 3000;

/** How many pages a drawing has, and any of them as a picture. */
export async function openPdf(file: Blob): Promise<{
  pages: number;
  picture: (page: number) => Promise<Blob>;
}> {
  GlobalWorkerOptions.workerSrc = worker;
  const doc = await getDocument({ data: await file.arrayBuffer() }).promise;
  return {
    pages: doc.numPages,
    picture: async (n) => {
      const page = await doc.getPage(n);
      const one = page.getViewport({ scale: 1 });
      const viewport = page.getViewport({ scale: LONG_PX / Math.max(one.width, one.height) });
      const canvas = document.createElement('canvas');
      canvas.width = Math.round(viewport.width);
      canvas.height = Math.round(viewport.height);
      await page.render({ canvas, viewport, background: '#ffffff' }).promise;
      return new Promise((resolve, reject) => {
        canvas.toBlob(
          (blob) => {
            if (blob) resolve(blob);
            else reject(new Error('That page could not be drawn.'));
          },
          'image/jpeg',
          0.85,
        );
      });
    },
  };
}
