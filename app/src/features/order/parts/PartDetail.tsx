import { Link } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { seatMarks } from '@stennet/core/drawing';
import { isAwaited } from '@stennet/core/order';
import { isWrongPart, type PartLine } from '@stennet/core/prepare';
import { threadText, type Sheet } from '@stennet/core/procedure';
import { initialState } from '@stennet/core/run';
import { parseCents, type Formatter } from '@stennet/core/quantity';
import { useSignedIn, type ShownEntry } from '@/data';
import { BigButton, FieldRow, Fold, FONT, Line, Notice, TextField, useInks } from '@/ui';
import { DayField } from '@/forms';
import { JointMapView } from '@/ui/work';
import { usePart } from '../hooks/usePart';
import { text } from '../text';
import { EntryLine } from './EntryLine';
import { Check, type Part, Plain } from './PartCheck';

export interface PartProps {
  order: string;
  line: PartLine;
  shown: ShownEntry | undefined;
  sheet: Sheet | undefined;
  mayWrite: boolean;
}

/** All of one part: why it is needed, what came against what the sheet asks for, its origin. */
export function PartDetail({ order, line, shown, sheet, mayWrite }: PartProps) {
  const { format } = useSignedIn();
  const { problem, body, put } = usePart(order, line);
  const { need } = line;
  const isReused = need.need === 'reuse';
  const detail = (
    <View style={styles.detail}>
      {need.why ? <Line>{need.why}</Line> : null}
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {sheet && need.reuse === 'reuse-in-place' ? (
        <HoleMap sheet={sheet} group={need.key.slice('group:'.length)} />
      ) : null}
      {sheet && line.entry && isWrongPart(line.entry.body, sheet) ? (
        <Notice title={text.wrong} text={text.wrongStays} look="warn" />
      ) : null}
      {mayWrite && !isReused ? (
        <>
          {sheet ? (
            <Fold title={text.check} label={`${text.check}: ${need.what}`}>
              <Line strong>{text.sheetWants({ what: wanted(sheet, line, format) })}</Line>
              <Check
                sheet={sheet}
                body={body}
                need={need.key}
                count={need.count}
                onSave={(seen) => put({ ...body, seen })}
              />
            </Fold>
          ) : null}
          <Fold title={text.more} label={`${text.more}: ${need.what}`}>
            <More key={line.entry?.version} body={body} onSave={put} />
          </Fold>
        </>
      ) : null}
      {body.lot ? <LotLink lot={body.lot} /> : null}
    </View>
  );
  return shown ? (
    <EntryLine order={order} entry={shown}>
      {detail}
    </EntryLine>
  ) : (
    <Plain>{detail}</Plain>
  );
}

/** What the sheet asks for, to be held against what is in the box. */
function wanted(sheet: Sheet, { need }: PartLine, format: Formatter): string {
  const group = sheet.groups.find((g) => `group:${g.id}` === need.key);
  if (!group) return text.count({ n: need.count, what: need.what });
  return [
    threadText(group, need.count, format),
    group.lengthMm === undefined ? '' : text.lengthMm({ mm: group.lengthMm }),
    group.head,
  ]
    .filter(Boolean)
    .join(' · ');
}

/**
 * Where each one came from: laid out beside the part in this picture, each goes back into its own
 * hole.
 */
function HoleMap({ sheet, group }: { sheet: Sheet; group: string }) {
  const own = sheet.seats.filter((s) => s.group === group);
  const numbers = Object.fromEntries(own.map((s) => [s.id, s.id]));
  return (
    <View style={{ height: 170 }}>
      <JointMapView
        sheet={sheet}
        marks={seatMarks(sheet, initialState(sheet).progress, null)}
        numbers={numbers}
        label={text.holeMap({ labels: own.map((s) => s.id).join(', ') })}
      />
    </View>
  );
}

function LotLink({ lot }: { lot: string }) {
  const inks = useInks();
  return (
    <Link
      href={`/history?by=lot&lot=${encodeURIComponent(lot)}` as never}
      style={[styles.lot, { color: inks.brand }]}
    >
      {text.lotUsed({ lot })}
    </Link>
  );
}

/** Where it comes from, when it should be here, and who took it in. */
function More({ body, onSave }: { body: Part; onSave: (next: Part) => void }) {
  const [number, setNumber] = useState(body.number ?? '');
  const [lot, setLot] = useState(body.lot ?? '');
  const [due, setDue] = useState(body.due ?? '');
  const [by, setBy] = useState(body.receivedBy ?? '');
  const [price, setPrice] = useState(body.cents === undefined ? '' : (body.cents / 100).toFixed(2));
  const cents = parseCents(price);
  const change = (): void => {
    const { number: _n, lot: _l, cents: _c, due: _d, receivedBy: _b, ...rest } = body;
    onSave({
      ...rest,
      ...(number.trim() ? { number: number.trim() } : {}),
      ...(lot.trim() ? { lot: lot.trim() } : {}),
      ...(due ? { due } : {}),
      ...(by.trim() ? { receivedBy: by.trim() } : {}),
      ...(typeof cents === 'number' ? { cents } : {}),
    });
  };
  return (
    <>
      <FieldRow>
        <TextField
          label={text.partNumber}
          value={number}
          onChange={(t) => setNumber(t.slice(0, 40))}
        />
        <TextField label={text.lot} value={lot} onChange={(t) => setLot(t.slice(0, 40))} />
        <TextField
          label={text.price}
          value={price}
          onChange={setPrice}
          mode="decimal"
          problem={cents === undefined ? text.priceWrong : undefined}
        />
        {isAwaited(body.state) ? (
          <DayField label={text.due} value={due} onChange={setDue} />
        ) : (
          <TextField label={text.receivedBy} value={by} onChange={(t) => setBy(t.slice(0, 80))} />
        )}
      </FieldRow>
      <BigButton
        text={text.save}
        look="plain"
        size="desk"
        disabled={cents === undefined}
        onPress={change}
      />
    </>
  );
}

const styles = StyleSheet.create({
  detail: { gap: 8 },
  lot: {
    fontFamily: FONT,
    fontSize: 16,
    minHeight: 48,
    paddingVertical: 12,
    textDecorationLine: 'underline',
  },
});
