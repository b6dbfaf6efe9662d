import { useState } from 'react';
import { printedOn, type Printed } from '@stennet/core/draft';
import { readPicture } from '@/platform/pages';
import type { Pages, ShownPage } from './usePages';

/** What is read off a page: each value is offered, and shown where it is printed. */
export interface Reading {
  status: 'none' | 'reading' | 'read' | 'failed';
  /** The page it was read from. */
  page: string | null;
  found: readonly Printed[];
  marked: Printed | null;
  mark: (found: Printed) => void;
  read: () => Promise<void>;
}

type Read = Pick<Reading, 'status' | 'page' | 'found'>;
const NOTHING: Read = { status: 'none', page: null, found: [] };

export function useReading(pages: Pages): Reading {
  const [read, setRead] = useState<Read>(NOTHING);
  const [marked, setMarked] = useState<Printed | null>(null);
  const page = pages.shown[Math.min(pages.at, pages.shown.length - 1)];
  return {
    ...read,
    marked,
    mark: setMarked,
    read: async () => {
      if (!page || read.status === 'reading') return;
      setMarked(null);
      setRead({ status: 'reading', page: page.key, found: [] });
      try {
        const words = pages.wordsOf(page.key) ?? (await wordsOn(page));
        setRead({ status: 'read', page: page.key, found: printedOn(words) });
      } catch {
        setRead({ status: 'failed', page: page.key, found: [] });
      }
    },
  };
}

/** The picture as it is kept, read on this device. */
async function wordsOn({ uri, width }: ShownPage) {
  const picture = await pictureAt(uri);
  const bitmap = await createImageBitmap(picture);
  const by = width / bitmap.width;
  return (await readPicture(picture)).map((w) => ({
    text: w.text,
    x: w.x * by,
    y: w.y * by,
    width: w.width * by,
    height: w.height * by,
  }));
}

/** Drawn anew: a data address is not asked of a network. */
async function pictureAt(uri: string): Promise<Blob> {
  const image = new Image();
  image.src = uri;
  await image.decode();
  const canvas = new OffscreenCanvas(image.naturalWidth, image.naturalHeight);
  canvas.getContext('2d')?.drawImage(image, 0, 0);
  return canvas.convertToBlob({ type: 'image/png' });
}
