import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { seatMarks } from '@stennet/core/drawing';
import { PART_STATES, type PartState } from '@stennet/core/order';
import { isWrongPart, type PartLine } from '@stennet/core/prepare';
import { type Sheet } from '@stennet/core/procedure';
import { initialState } from '@stennet/core/run';
import { parseCents } from '@stennet/core/quantity';
import { useSignedIn, type ShownEntry } from '@/data';
import { BigButton, Chip, FieldRow, FONT, Line, Notice, TextField, useInks } from '@/ui';
import { JointMapView } from '@/ui/work';
import { useSave } from '../hooks/useSave';
import { text } from '../text';
import { EntryLine } from './EntryLine';
import { type Part, styles, Check, Plain } from './PartCheck';

interface Props {
  order: string;
  line: PartLine;
  shown: ShownEntry | undefined;
  sheet: Sheet | undefined;
  mayWrite: boolean;
}

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
      >{`${text.count({ n: need.count, what: need.what })}${line.jointName ? ` · ${line.jointName}` : ''}`}</Line>
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
        label={text.holeMap({ labels: own.map((s) => s.id).join(', ') })}
      />
    </View>
  );
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
  if (!mayWrite) return <Line strong>{text.partStates[body?.state ?? 'needed']}</Line>;
  return (
    <View style={styles.states} role="radiogroup" aria-label={`${text.partState}: ${name}`}>
      {PART_STATES.map((s) => (
        <Chip
          key={s}
          role="radio"
          text={text.partStates[s]}
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
          {text.lotUsed({ lot: body.lot })}
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
