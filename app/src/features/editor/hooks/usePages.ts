import { useEffect, useState } from 'react';
import type { PrintedWord } from '@stennet/core/draft';
import type { Sheet, SheetPage } from '@stennet/core/procedure';
import { asAppError, photoPath, sendPhoto, shrinkPhoto, useKeptForm } from '@/data';
import { useArrivingFiles } from '@/platform/arrivingFiles';
import { newId } from '@/platform/ids';
import { useDeviceOnline } from '@/platform/online';
import { openPdf, type OpenPdf } from '@/platform/pages';
import { useEditor } from './useEditor';

/** A page that is still on this device only, its picture as a data address. */
interface Waiting {
  id: string;
  picture: string;
  width: number;
  height: number;
}
export interface ShownPage {
  key: string;
  uri: string;
  width: number;
  height: number;
}
export interface Pages {
  shown: readonly ShownPage[];
  /** Of the shown ones, those the server does not have yet. */
  waiting: number;
  problem: 'kind' | 'pdf' | 'tooMany' | 'refused' | null;
  /** Which of the shown ones is looked at. */
  at: number;
  lookAt: (at: number) => void;
  /** The words of a page that came as a PDF; of a photo they are read. */
  wordsOf: (key: string) => readonly PrintedWord[] | undefined;
  /** A PDF with several pages, waiting for one to be chosen. */
  pdf: OpenPdf | null;
  take: (file: Blob) => Promise<void>;
  keepOf: (page: Blob, words?: readonly PrintedWord[]) => Promise<void>;
  closePdf: () => void;
  remove: (key: string) => void;
}

const MOST = 8;

/**
 * The pages a sheet is written from: pasted, dropped or chosen, kept on this device, sent when
 * there is a network, and from then on part of the draft.
 */
export function usePages(onArrived: () => void): Pages {
  const { draft, change } = useEditor();
  // Each under its own name: one that is sent does not touch another that has just come.
  const { form, put } = useKeptForm<Record<string, Waiting | null>>(`pages ${draft.id}`, {});
  const [problem, setProblem] = useState<Pages['problem']>(null);
  const [at, lookAt] = useState(0);
  const { words, know } = useKnownWords();
  const kept = draft.source.pages ?? [];
  const waiting = Object.values(form).filter((w) => w !== null);
  useSending(waiting[0], {
    onSent: (id, page) => {
      know(page.photo, words[id]);
      change((d) => withPages(d, [...(d.source.pages ?? []), page]));
      put({ [id]: null });
    },
    onRefused: (id) => {
      setProblem('refused');
      put({ [id]: null });
    },
  });
  const keepOf: Pages['keepOf'] = async (page, printed) => {
    if (kept.length + waiting.length >= MOST) return setProblem('tooMany');
    const picture = await drawn(page);
    if (!picture) return setProblem('kind');
    setProblem(null);
    const id = newId();
    put({ [id]: { id, ...picture } });
    const { width } = await createImageBitmap(page);
    know(
      id,
      printed?.map((w) => resized(w, picture.width / width)),
    );
    lookAt(kept.length + waiting.length);
    onArrived();
  };
  const leaf = useLeaf(keepOf, onArrived, setProblem);
  const take = (file: Blob): Promise<void> =>
    file.type === 'application/pdf' ? leaf.open(file) : keepOf(file);
  useArrivingFiles((files) => {
    const [file] = files;
    if (file) void take(file);
  });
  return {
    shown: shownOf(kept, waiting),
    waiting: waiting.length,
    at,
    lookAt,
    wordsOf: (key) => words[key],
    problem,
    pdf: leaf.pdf,
    take,
    keepOf,
    closePdf: leaf.close,
    remove: (key) => {
      put({ [key]: null });
      change((d) => withoutPage(d, key));
    },
  };
}

/** What is printed on each page, where the page itself says so. */
function useKnownWords() {
  const [words, setWords] = useState<Record<string, readonly PrintedWord[]>>({});
  const know = (key: string, of: readonly PrintedWord[] | undefined): void => {
    if (of && of.length > 0) setWords((known) => ({ ...known, [key]: of }));
  };
  return { words, know };
}

/** A PDF: its only page is taken at once, of several one is chosen. */
function useLeaf(
  keepOf: Pages['keepOf'],
  onArrived: () => void,
  setProblem: (problem: Pages['problem']) => void,
) {
  const [pdf, setPdf] = useState<OpenPdf | null>(null);
  const open = async (file: Blob): Promise<void> => {
    const opened = await openPdf(file).catch(() => null);
    if (!opened) return setProblem('pdf');
    setProblem(null);
    onArrived();
    if (opened.pages > 1) return setPdf(opened);
    const page = await opened.page(1).catch(() => null);
    const words = await opened.words(1).catch(() => []);
    opened.close();
    return page ? keepOf(page, words) : setProblem('pdf');
  };
  const close = (): void => {
    pdf?.close();
    setPdf(null);
  };
  return { pdf, open, close };
}

const resized = (w: PrintedWord, by: number): PrintedWord => ({
  text: w.text,
  x: w.x * by,
  y: w.y * by,
  width: w.width * by,
  height: w.height * by,
});

const withoutPage = (draft: Sheet, photo: string): Sheet =>
  withPages(
    draft,
    (draft.source.pages ?? []).filter((p) => p.photo !== photo),
  );

const shownOf = (kept: readonly SheetPage[], waiting: readonly Waiting[]): ShownPage[] => [
  ...kept.map((p) => ({ key: p.photo, uri: photoPath(p.photo), ...p })),
  ...waiting.map((w) => ({ key: w.id, uri: w.picture, width: w.width, height: w.height })),
];

function withPages(draft: Sheet, pages: readonly SheetPage[]): Sheet {
  const { pages: _before, ...source } = draft.source;
  const once = pages.filter((p, i) => pages.findIndex((q) => q.photo === p.photo) === i);
  return { ...draft, source: once.length > 0 ? { ...source, pages: once } : source };
}

/** One after the other; what the network does not take is tried again, what is refused is said. */
function useSending(
  next: Waiting | undefined,
  {
    onSent,
    onRefused,
  }: { onSent: (id: string, page: SheetPage) => void; onRefused: (id: string) => void },
): void {
  const isOnline = useDeviceOnline();
  const [tries, setTries] = useState(0);
  const id = next?.id;
  useEffect(() => {
    if (!next || !isOnline) return;
    let isOver = false;
    const again = setTimeout(() => setTries((n) => n + 1), 15_000);
    void (async () => {
      try {
        const page = await sendPhoto(blobOf(next.picture));
        if (!isOver) onSent(next.id, page);
      } catch (error) {
        if (!isOver && asAppError(error).code !== 'OFFLINE') onRefused(next.id);
      }
    })();
    return () => {
      isOver = true;
      clearTimeout(again);
    };
    // Once for each page, and again after a while.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id, isOnline, tries]);
}

/** A data address as the bytes it holds; it is read here, not asked of a network. */
function blobOf(address: string): Blob {
  const [head = '', bytes = ''] = address.split(',');
  return new Blob([Uint8Array.from(atob(bytes), (c) => c.charCodeAt(0))], {
    type: head.replace(/^data:|;base64$/g, ''),
  });
}

/** Smaller, as a data address; null where this browser cannot draw it. */
async function drawn(file: Blob): Promise<Omit<Waiting, 'id'> | null> {
  const small = await shrinkPhoto(file);
  const bitmap = await createImageBitmap(small).catch(() => null);
  if (!bitmap) return null;
  const picture = await new Promise<string>((resolve) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.readAsDataURL(small);
  });
  return { picture, width: bitmap.width, height: bitmap.height };
}
