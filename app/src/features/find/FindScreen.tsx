import { useLocalSearchParams, useRouter } from 'expo-router';
import { useDeferredValue, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { SheetBrief } from '@stennet/core/contract/work';
import { isAllowed, routes } from '@stennet/core/contract';
import { asAppError, useLibraryOnDevice, useSignedIn } from '@/data';
import { useFoundSheets, useSheetsAtHand, type SheetFilter } from '@/data/sheets';
import {
  BigButton,
  HeadButton,
  Heading,
  Loading,
  Notice,
  ScreenFrame,
  SearchBox,
  useIsWide,
} from '@/ui';
import { ByVin, looksLikeVin } from './parts/ByVin';
import { openFile } from '@/platform/files';
import { Narrowed, Places } from './parts/Places';
import { SheetCard } from './parts/SheetCard';
import { SheetsTable } from './parts/SheetsTable';
import { text } from './text';

/** From nothing to the right sheet: typed, tapped, or from what is at hand. */
export function FindScreen() {
  const from = useLocalSearchParams<{ maker?: string; engine?: string }>();
  const [typed, setTyped] = useState('');
  const [filter, setFilter] = useState<SheetFilter>({
    ...(from.maker ? { maker: from.maker } : {}),
    ...(from.engine ? { engine: from.engine } : {}),
  });
  const q = useDeferredValue(typed.trim());
  const isNarrow = filter.maker !== undefined || filter.engine !== undefined;
  const { me } = useSignedIn();
  useLibraryOnDevice();
  const router = useRouter();
  const library = isAllowed(me.role, 'sheet.write') ? (
    <HeadButton text={text.library} onPress={() => router.navigate('/library')} />
  ) : null;
  return (
    <ScreenFrame title={text.find} right={library}>
      <SearchBox label={text.search} value={typed} onChange={setTyped} autoFocus />
      <Narrowed filter={filter} onFilter={setFilter} />
      {looksLikeVin(q) ? (
        <ByVin
          typed={q}
          onFilter={(f) => {
            setFilter(f);
            setTyped('');
          }}
        />
      ) : q || isNarrow ? (
        <Found q={q} filter={filter} />
      ) : (
        <AtHand />
      )}
      {q ? null : <Places filter={filter} onFilter={setFilter} />}
    </ScreenFrame>
  );
}

function Found({ q, filter }: { q: string; filter: SheetFilter }) {
  const isWide = useIsWide();
  const found = useFoundSheets(q, filter);
  // Typing goes before drawing: what was found is drawn when the hand lets it.
  const data = useDeferredValue(found.data);
  if (data) {
    if (data.sheets.length === 0) return <Notice title={text.none} text={text.noneText} />;
    return (
      <>
        {data.onDevice === null ? null : <Notice title={text.offline({ n: data.onDevice })} />}
        {isWide ? (
          <SheetsTable sheets={data.sheets} />
        ) : (
          <Cards sheets={data.sheets} most={FIRST_SHOWN} />
        )}
        {data.onDevice === null ? <ExportThese sheets={data.sheets} /> : null}
      </>
    );
  }
  if (!found.isError) return <Loading text={text.searching} />;
  const error = asAppError(found.error);
  return (
    <Notice
      title={text.failed}
      text={`${error.message} ${error.fix}`}
      action={{ text: text.retry, onPress: () => void found.refetch() }}
      alert
    />
  );
}

/** What was found goes out as one file. */
function ExportThese({ sheets }: { sheets: readonly SheetBrief[] }) {
  const picked = sheets.map((s) => `pick=${s.sheet}:${s.revision}`).join('&');
  return (
    <BigButton
      text={text.exportThese({ count: sheets.length })}
      look="quiet"
      size="desk"
      onPress={() => openFile(`${routes.exportSheets.path}?form=json&${picked}`, 'keep')}
    />
  );
}

function AtHand() {
  const { atHand } = useSheetsAtHand();
  const seen = atHand.seen.filter(
    (b) => !atHand.pinned.some((p) => p.sheet === b.sheet && p.revision === b.revision),
  );
  return (
    <>
      {atHand.pinned.length > 0 ? <Titled title={text.pinned} sheets={atHand.pinned} /> : null}
      {seen.length > 0 ? <Titled title={text.seen} sheets={seen} /> : null}
    </>
  );
}

function Titled({ title, sheets }: { title: string; sheets: readonly SheetBrief[] }) {
  return (
    <>
      <Heading>{title}</Heading>
      <Cards sheets={sheets} />
    </>
  );
}

/** So many are drawn at once; the right one is among the first. */
const FIRST_SHOWN = 4;

function Cards({ sheets, most = sheets.length }: { sheets: readonly SheetBrief[]; most?: number }) {
  const isWide = useIsWide();
  const [all, setAll] = useState(false);
  const shown = all ? sheets : sheets.slice(0, most);
  return (
    <>
      <View role="list" style={isWide ? styles.grid : styles.list}>
        {shown.map((b) => (
          <View
            role="listitem"
            key={`${b.sheet} ${b.revision}`}
            style={isWide ? styles.half : undefined}
          >
            <SheetCard brief={b} />
          </View>
        ))}
      </View>
      {shown.length < sheets.length ? (
        <BigButton
          text={text.showAll({ n: sheets.length })}
          look="quiet"
          size="desk"
          onPress={() => setAll(true)}
        />
      ) : null}
    </>
  );
}

const styles = StyleSheet.create({
  list: { gap: 12 },
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: 12 },
  half: { flexBasis: '48%', flexGrow: 1 },
});
