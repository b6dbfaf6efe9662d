import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { printedIn, takePrinted, type Printed } from '@stennet/core/draft';
import { BigButton, FieldRow, Line, Notice, Section, TextField, useInks } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import type { Reading } from '../hooks/useReading';
import { text } from '../text';

/** The values of the manual’s page, offered one by one; nothing is taken over by itself. */
export function FromPage({ reading, hasPage }: { reading: Reading; hasPage: boolean }) {
  const [pasted, setPasted] = useState<string | null>(null);
  const inText = useMemo(() => printedIn(pasted ?? ''), [pasted]);
  return (
    <Section title={text.fromPage}>
      <Line>{hasPage ? text.fromPageHelp : text.fromPageNone}</Line>
      <FieldRow>
        <BigButton
          text={reading.status === 'reading' ? text.readingPage : text.readPage}
          look="plain"
          size="desk"
          disabled={!hasPage || reading.status === 'reading'}
          onPress={() => void reading.read()}
        />
        <BigButton
          text={text.pasteText}
          look="quiet"
          size="desk"
          onPress={() => setPasted(pasted === null ? '' : null)}
        />
      </FieldRow>
      {reading.status === 'failed' ? (
        <Notice title={text.readFailed} text={text.readFailedText} look="warn" alert />
      ) : null}
      {reading.status === 'read' ? (
        <View role="status">
          <Line strong>{text.readFound({ count: reading.found.length })}</Line>
        </View>
      ) : null}
      <Offers
        key={reading.page}
        found={reading.found}
        marked={reading.marked}
        onMark={reading.mark}
      />
      {pasted === null ? null : (
        <>
          <TextField label={text.pasted} value={pasted} onChange={setPasted} lines={5} />
          <Offers found={inText} marked={null} />
        </>
      )}
    </Section>
  );
}

function Offers({
  found,
  marked,
  onMark,
}: {
  found: readonly Printed[];
  marked: Printed | null;
  onMark?: (found: Printed) => void;
}) {
  const { change } = useEditor();
  const [taken, setTaken] = useState<readonly string[]>([]);
  return found.map((p, i) => {
    const key = `${i} ${p.says}`;
    return (
      <Offer
        key={key}
        printed={p}
        isMarked={p === marked}
        isTaken={taken.includes(key)}
        onMark={onMark}
        onTake={() => {
          onMark?.(p);
          change((d) => takePrinted(d, p));
          setTaken([...taken, key]);
        }}
      />
    );
  });
}

/** Tapped, it shows where on the page it is printed. */
function Offer({
  printed,
  isMarked,
  isTaken,
  onMark,
  onTake,
}: {
  printed: Printed;
  isMarked: boolean;
  isTaken: boolean;
  onMark: ((found: Printed) => void) | undefined;
  onTake: () => void;
}) {
  const inks = useInks();
  const words = (
    <View style={styles.words}>
      <Line strong>{printed.says}</Line>
      <Line>{printed.line.slice(0, 120)}</Line>
    </View>
  );
  return (
    <View style={[styles.offer, { borderColor: isMarked ? inks.brand : inks.line }]}>
      {onMark && printed.box ? (
        <TouchableRipple
          role="button"
          aria-label={text.showOnPage({ what: printed.says })}
          onPress={() => onMark(printed)}
          style={styles.press}
        >
          {words}
        </TouchableRipple>
      ) : (
        <View style={styles.press}>{words}</View>
      )}
      <BigButton
        text={isTaken ? text.offerTaken : text.offerTake}
        label={`${isTaken ? text.offerTaken : text.offerTake}: ${printed.says}`}
        look={isTaken ? 'quiet' : 'plain'}
        size="desk"
        onPress={onTake}
        disabled={isTaken}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  offer: { flexDirection: 'row', alignItems: 'center', gap: 8, borderTopWidth: 2, paddingTop: 6 },
  press: { flex: 1, minWidth: 0, minHeight: 48, justifyContent: 'center' },
  words: { paddingVertical: 2 },
});
