import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { chooseFile } from '@/platform/files';
import { BigButton, Chip, Line, Notice } from '@/ui';
import { ZoomPicture, type PictureMark } from '@/ui/work';
import type { Pages } from '../hooks/usePages';
import type { Reading } from '../hooks/useReading';
import type { Tapping } from '../hooks/useTapping';
import { text } from '../text';

const ACCEPTED = 'image/jpeg,image/png,image/webp,application/pdf';

/** The page that the sheet is written from, beside the fields while someone types. */
export function PagePane({
  pages,
  reading,
  tapping,
}: {
  pages: Pages;
  reading: Reading;
  tapping: Tapping;
}) {
  const { at, lookAt: setAt } = pages;
  const page = pages.shown[Math.min(at, pages.shown.length - 1)];
  if (pages.pdf) return <Leaf pages={pages} />;
  const choose = async (): Promise<void> => {
    const file = await chooseFile(ACCEPTED);
    if (!file) return;
    await pages.take(file);
  };
  return (
    <View style={styles.whole}>
      {pages.problem ? <Notice title={text.pageProblems[pages.problem]} look="warn" alert /> : null}
      {page ? (
        <View style={styles.picture}>
          <ZoomPicture
            key={page.key}
            uri={page.uri}
            width={page.width}
            height={page.height}
            label={text.pageOf({ n: Math.min(at, pages.shown.length - 1) + 1 })}
            marks={tapping.isOn ? tapping.marks : marksOf(reading, page.key)}
            {...(tapping.isOn ? { onTap: tapping.tap } : {})}
          />
        </View>
      ) : (
        <Line>{text.noPage}</Line>
      )}
      <ScrollView horizontal tabIndex={0} style={styles.keys} contentContainerStyle={styles.bar}>
        {pages.shown.length > 1
          ? pages.shown.map((p, i) => (
              <Chip
                key={p.key}
                role="radio"
                text={text.pageOf({ n: i + 1 })}
                on={p === page}
                onPress={() => setAt(i)}
              />
            ))
          : null}
        {page ? (
          <Chip
            role="checkbox"
            text={tapping.isOn ? text.tapNext({ n: tapping.next }) : text.tapBolts}
            on={tapping.isOn}
            onPress={tapping.flip}
          />
        ) : null}
        <BigButton text={text.addPage} look="quiet" size="desk" onPress={() => void choose()} />
        {page ? (
          <BigButton
            text={text.removePage}
            look="quiet"
            size="desk"
            onPress={() => pages.remove(page.key)}
          />
        ) : null}
      </ScrollView>
      {pages.waiting > 0 ? <Line>{text.pagesWait({ count: pages.waiting })}</Line> : null}
    </View>
  );
}

/** Where the values that were read are printed. */
const marksOf = ({ page, found, marked }: Reading, key: string): PictureMark[] =>
  page === key ? found.flatMap((f) => (f.box ? [{ ...f.box, strong: f === marked }] : [])) : [];

/** A PDF with several pages: leaf through it and keep those that are needed. */
function Leaf({ pages }: { pages: Pages }) {
  const { pdf } = pages;
  const [n, setN] = useState(1);
  const [shown, setShown] = useState<{ uri: string; page: Blob; w: number; h: number } | null>(
    null,
  );
  useEffect(() => {
    let uri: string | null = null;
    let isOver = false;
    void pdf?.page(n).then(
      async (page) => {
        const { width: w, height: h } = await createImageBitmap(page);
        if (isOver) return;
        uri = URL.createObjectURL(page);
        setShown({ uri, page, w, h });
      },
      () => undefined,
    );
    return () => {
      isOver = true;
      if (uri) URL.revokeObjectURL(uri);
    };
  }, [pdf, n]);
  if (!pdf) return null;
  const keep = async (page: Blob): Promise<void> => {
    await pages.keepOf(page, await pdf.words(n).catch(() => []));
    pages.closePdf();
  };
  return (
    <View style={styles.whole}>
      <View style={styles.picture}>
        {shown ? (
          <ZoomPicture
            uri={shown.uri}
            width={shown.w}
            height={shown.h}
            label={text.leaf({ n, of: pdf.pages })}
          />
        ) : null}
      </View>
      <View style={styles.row}>
        <BigButton
          text="←"
          label={text.leafBack}
          look="quiet"
          size="desk"
          disabled={n === 1}
          onPress={() => setN(n - 1)}
        />
        <Line>{text.leafAt({ n, of: pdf.pages })}</Line>
        <BigButton
          text="→"
          label={text.leafOn}
          look="quiet"
          size="desk"
          disabled={n === pdf.pages}
          onPress={() => setN(n + 1)}
        />
        <BigButton
          text={text.keepPage}
          look="plain"
          size="desk"
          disabled={!shown}
          onPress={() => shown && void keep(shown.page)}
        />
        <BigButton
          text="✕"
          label={text.cancelPdf}
          look="quiet"
          size="desk"
          onPress={pages.closePdf}
        />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  whole: { flex: 1, padding: 8, gap: 8 },
  picture: { flex: 1, minHeight: 120 },
  keys: { flexGrow: 0, flexShrink: 0 },
  bar: { flexDirection: 'row', gap: 8, alignItems: 'center' },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
});
