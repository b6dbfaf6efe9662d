import { Link } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { seatMarks } from '@stennet/core/drawing';
import { PART_STATES, type EntryOf, type PartState } from '@stennet/core/order';
import { isWrongPart, wrongPart, type PartSeen, type PartLine } from '@stennet/core/prepare';
import { HEADS, type Sheet } from '@stennet/core/procedure';
import { initialState } from '@stennet/core/run';
import { parseCents } from '@stennet/core/quantity';
import { useSignedIn, type ShownEntry } from '@/data';
import {
  BigButton,
  Chip,
  ChoiceField,
  FieldRow,
  FONT,
  Line,
  Notice,
  NumberField,
  TextField,
  useInks,
} from '@/ui';
import { JointMapView } from '@/ui/work';
import { useSave } from '../hooks/useSave';
import { PART_STATE_TEXT, text } from '../text';
import { EntryLine } from './EntryLine';

interface Props {
  order: string;
  line: PartLine;
  shown: ShownEntry | undefined;
  sheet: Sheet | undefined;
  mayWrite: boolean;
}
type Part = EntryOf<'part'>;

/** One part: what it is and why, how it stands, and whether what came is the one. */
export function PartRow({ order, line, shown, sheet, mayWrite }: Props) {
  const [open, setOpen] = useState<'more' | 'check' | null>(null);
  const { problem, save } = useSave();
  const { need } = line;
  const isReused = need.need === 'reuse';
  const body: Part = line.entry?.body ?? {
    kind: 'part',
    job: line.job,
    ...(line.joint ? { joint: line.joint, need: need.key } : {}),
    what: need.what,
    count: need.count,
    state: 'needed',
  };
  const putBody = (next: Part): void =>
    save({
      order,
      ...(line.entry ? { entry: line.entry.id, version: line.entry.version } : {}),
      body: next,
    });
  const put = (change: Partial<Part>): void => putBody({ ...body, ...change });
  const detail = (
    <>
      <Line
        strong
      >{`${text.count(need.count, need.what)}${line.jointName ? ` · ${line.jointName}` : ''}`}</Line>
      {need.why ? <Line>{need.why}</Line> : null}
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {sheet && need.reuse === 'reuse-in-place' ? (
        <HoleMap sheet={sheet} group={need.key.slice('group:'.length)} />
      ) : null}
      {isReused ? null : (
        <States
          body={line.entry?.body}
          name={need.what}
          mayWrite={mayWrite}
          onPut={(state) => put({ state })}
        />
      )}
      {sheet && line.entry && isWrongPart(line.entry.body, sheet) ? (
        <Notice title={text.wrong} text={text.wrongStays} look="warn" />
      ) : null}
      {line.entry ? <From body={line.entry.body} /> : null}
      {mayWrite && !isReused ? (
        <View style={styles.row}>
          <BigButton
            text={text.more}
            label={`${text.more}: ${need.what}`}
            look="quiet"
            size="desk"
            onPress={() => setOpen(open === 'more' ? null : 'more')}
          />
          {sheet ? (
            <BigButton
              text={text.check}
              label={`${text.check}: ${need.what}`}
              look="quiet"
              size="desk"
              grow
              onPress={() => setOpen(open === 'check' ? null : 'check')}
            />
          ) : null}
        </View>
      ) : null}
      {open === 'more' ? (
        <More body={body} onSave={(next) => (putBody(next), setOpen(null))} />
      ) : null}
      {open === 'check' && sheet ? (
        <Check
          sheet={sheet}
          body={body}
          need={need.key}
          count={need.count}
          onSave={(seen) => (put({ seen }), setOpen(null))}
        />
      ) : null}
    </>
  );
  return shown ? (
    <EntryLine order={order} entry={shown}>
      {detail}
    </EntryLine>
  ) : (
    <Plain>{detail}</Plain>
  );
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
        label={text.holeMap(own.map((s) => s.id).join(', '))}
      />
    </View>
  );
}

function Plain({ children }: { children: ReactNode }) {
  const inks = useInks();
  return <View style={[styles.plain, { borderTopColor: inks.line }]}>{children}</View>;
}

/** One tap from state to state; before anything was said none is on. */
function States({
  body,
  name,
  mayWrite,
  onPut,
}: {
  body: Part | undefined;
  name: string;
  mayWrite: boolean;
  onPut: (state: PartState) => void;
}) {
  if (!mayWrite) return <Line strong>{PART_STATE_TEXT[body?.state ?? 'needed']}</Line>;
  return (
    <View style={styles.states} role="radiogroup" aria-label={`${text.partState}: ${name}`}>
      {PART_STATES.map((s) => (
        <Chip
          key={s}
          role="radio"
          text={PART_STATE_TEXT[s]}
          on={body?.state === s}
          onPress={() => onPut(s)}
        />
      ))}
    </View>
  );
}

function From({ body }: { body: Part }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const facts = [
    body.number,
    body.lot && `${text.lot} ${body.lot}`,
    body.cents === undefined ? '' : format.price(body.cents),
  ].filter(Boolean);
  if (facts.length === 0) return null;
  return (
    <>
      <Line>{facts.join(' · ')}</Line>
      {body.lot ? (
        <Link
          href={`/history?by=lot&lot=${encodeURIComponent(body.lot)}` as never}
          style={{
            color: inks.brand,
            fontFamily: FONT,
            fontSize: 16,
            minHeight: 44,
            paddingVertical: 10,
            textDecorationLine: 'underline',
          }}
        >
          {text.lotUsed(body.lot)}
        </Link>
      ) : null}
    </>
  );
}

function More({ body, onSave }: { body: Part; onSave: (next: Part) => void }) {
  const [number, setNumber] = useState(body.number ?? '');
  const [lot, setLot] = useState(body.lot ?? '');
  const [price, setPrice] = useState(body.cents === undefined ? '' : (body.cents / 100).toFixed(2));
  const cents = parseCents(price);
  const change = (): void => {
    const { number: _n, lot: _l, cents: _c, ...rest } = body;
    onSave({
      ...rest,
      ...(number.trim() ? { number: number.trim() } : {}),
      ...(lot.trim() ? { lot: lot.trim() } : {}),
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

/**
 * What came, against what the sheet asks for: a wrong thread or length is caught before it is in
 * the hole.
 */
function Check({
  sheet,
  body,
  need,
  count,
  onSave,
}: {
  sheet: Sheet;
  body: Part;
  need: string;
  count: number;
  onSave: (seen: PartSeenBody) => void;
}) {
  const [seen, setSeen] = useState<PartSeen>(body.seen ?? {});
  const group = sheet.groups.find((g) => `group:${g.id}` === need);
  const said = Object.values(seen).some((x) => x !== undefined && x !== '');
  const wrong = group
    ? wrongPart(group, count, seen)
    : seen.count !== undefined && seen.count < count
      ? [{ by: 'count', text: text.tooFew(seen.count, count) }]
      : [];
  // What the sheet does not give cannot be compared: said, instead of a match that nobody checked.
  const unknown = !group || (seen.lengthMm !== undefined && group.lengthMm === undefined);
  const lengthBad = seen.lengthMm !== undefined && !(seen.lengthMm > 0 && seen.lengthMm <= 1000);
  const countBad =
    seen.count !== undefined &&
    !(Number.isInteger(seen.count) && seen.count >= 1 && seen.count <= 1000);
  return (
    <>
      <FieldRow>
        {group ? (
          <TextField
            label={text.seenThread}
            value={seen.thread ?? ''}
            onChange={(thread) => setSeen({ ...seen, thread: thread.slice(0, 20) })}
          />
        ) : null}
        {group ? (
          <NumberField
            label={text.seenLength}
            value={seen.lengthMm}
            onChange={(lengthMm) => setSeen({ ...seen, lengthMm })}
            problem={lengthBad ? text.lengthWrong : undefined}
          />
        ) : null}
        <NumberField
          label={text.seenCount}
          value={seen.count}
          onChange={(n) => setSeen({ ...seen, count: n })}
          problem={countBad ? text.countWrong : undefined}
        />
      </FieldRow>
      {group ? (
        <ChoiceField
          label={text.seenHead}
          value={seen.head}
          options={HEADS.map((h) => ({ value: h, text: h }))}
          onChange={(head) => setSeen({ ...seen, head })}
        />
      ) : null}
      {wrong.length > 0 ? (
        <Notice title={text.wrong} text={wrong.map((w) => w.text).join(' ')} look="warn" alert />
      ) : said ? (
        <View role="status">
          <Line strong>{unknown ? text.fitsUnknown : text.fits}</Line>
        </View>
      ) : null}
      <BigButton
        text={text.save}
        look="plain"
        size="desk"
        disabled={!said || lengthBad || countBad}
        onPress={() => onSave(kept(seen))}
      />
    </>
  );
}

type PartSeenBody = NonNullable<Part['seen']>;
const kept = ({ thread, lengthMm, head, count }: PartSeen): PartSeenBody => ({
  ...(thread?.trim() ? { thread: thread.trim() } : {}),
  ...(lengthMm === undefined ? {} : { lengthMm }),
  ...(head === undefined ? {} : { head }),
  ...(count === undefined ? {} : { count }),
});

const styles = StyleSheet.create({
  plain: { borderTopWidth: 1, paddingTop: 10, gap: 4 },
  states: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingVertical: 4 },
  row: { flexDirection: 'row', gap: 12, flexWrap: 'wrap' },
});
