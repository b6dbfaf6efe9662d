import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { FollowUp } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import type { Formatter } from '@stennet/core/quantity';
import { standingOn, type FollowUpState } from '@stennet/core/followUp';
import { BigButton } from '../BigButton';
import { NumberField, TextField } from '../fields';
import { Notice } from '../Notice';
import { Line } from '../Section';
import { useInks } from '../theme';
import { text } from './text';

/**
 * What is said of one: done, declined with a reason, or open again; the odometer where someone
 * read it.
 */
export interface Settled {
  state: FollowUpState;
  note: string | null;
  seenKm: number | null;
}

interface Form {
  asking: 'done' | 'declined' | null;
  note: string;
  km: number | null;
}

interface Props {
  followUp: FollowUp;
  /** Today, as an ISO day. */
  today: string;
  format: Formatter;
  mayWrite: boolean;
  /**
   * What someone has begun to say of it, kept outside: the list may be sorted again in the
   * meantime.
   */
  form: Form;
  onForm: (change: Partial<Form> | null) => void;
  /** Where the run that tightens again is begun; null where this person may not. */
  againTo: { pathname: '/joints/[joint]'; params: { joint: string; part: string } } | null;
  /** @throws AppError what is wrong with it */
  onSettle: (said: Settled) => Promise<void>;
}

/** One thing that is due: what, when it is expected, and what became of it. */
export function FollowUpRow({
  followUp: f,
  today,
  format,
  mayWrite,
  form,
  onForm,
  againTo,
  onSettle,
}: Props) {
  const inks = useInks();
  const router = useRouter();
  const { asking } = form;
  const ask = (kind: Form['asking']) => (): void => onForm({ asking: kind });
  const standing = standingOn(today, f);
  const isLate = standing === 'overdue';
  const when =
    f.state !== 'open'
      ? [
          f.state === 'done' ? text.settledDone : text.settledDeclined,
          f.by,
          f.at ? format.day(f.at.slice(0, 10)) : '',
        ]
          .filter(Boolean)
          .join(', ')
      : f.distanceKm === null && f.days === null
        ? text.kinds[f.kind]
        : `${text.standing[standing]} ${format.day(f.dueOn)}`;
  const at =
    f.distanceKm === null
      ? ''
      : f.sinceKm === null
        ? text.afterKm({ km: format.number(f.distanceKm, 0) })
        : text.atKm({ km: format.number(f.sinceKm + f.distanceKm, 0) });
  return (
    <View style={[styles.row, { borderTopColor: inks.line }]}>
      <Text style={{ fontSize: 17, lineHeight: 24, color: inks.ink }}>{f.text}</Text>
      <Text
        style={{
          fontSize: 15,
          color: isLate ? inks.warnText : inks.inkSoft,
          fontWeight: isLate ? '700' : '400',
        }}
      >
        {`${isLate ? '▲ ' : ''}${[when, at, f.celsius === null ? '' : text.warm({ celsius: f.celsius })].filter(Boolean).join(' · ')}`}
      </Text>
      {f.note ? <Line>{f.note}</Line> : null}
      {f.state === 'open' && mayWrite && !asking && f.kind === 'retighten' && againTo ? (
        <BigButton text={text.again} size="desk" onPress={() => router.navigate(againTo)} />
      ) : null}
      {f.state === 'open' && mayWrite && !asking ? (
        <View style={styles.buttons}>
          <BigButton
            text={text.done}
            label={`${text.done}: ${f.text}`}
            look={f.kind === 'retighten' ? 'quiet' : 'plain'}
            size="desk"
            grow
            onPress={ask('done')}
          />
          <BigButton
            text={text.decline}
            label={`${text.decline}: ${f.text}`}
            look="quiet"
            size="desk"
            grow
            onPress={ask('declined')}
          />
        </View>
      ) : null}
      {asking && f.state === 'open' ? (
        <Settle followUp={f} onSettle={onSettle} form={form} onForm={onForm} state={asking} />
      ) : null}
      {f.state !== 'open' && mayWrite ? <Reopen followUp={f} onSettle={onSettle} /> : null}
    </View>
  );
}

type OnSettle = Pick<Props, 'followUp' | 'onSettle'>;

function Settle({
  followUp: f,
  onSettle,
  form,
  onForm,
  state,
}: OnSettle & Pick<Props, 'form' | 'onForm'> & { state: Exclude<FollowUpState, 'open'> }) {
  const note = form.note.trim();
  const { error, isBusy, settle } = useSettle(onSettle);
  const wantsReason = state === 'declined' && !note;
  return (
    <View style={styles.row}>
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      <TextField
        label={state === 'declined' ? text.why : text.found}
        value={form.note}
        onChange={(typed) => onForm({ note: typed.slice(0, 400) })}
        lines={2}
      />
      {f.distanceKm === null ? null : (
        <NumberField
          label={text.odometer}
          value={form.km ?? undefined}
          onChange={(km) => onForm({ km: km ?? null })}
        />
      )}
      <View style={styles.buttons}>
        <BigButton
          text={state === 'declined' ? text.declineYes : text.doneYes}
          size="desk"
          grow
          disabled={wantsReason || isBusy}
          onPress={() =>
            void settle({ state, note: note || null, seenKm: form.km }, () => onForm(null))
          }
        />
        <BigButton
          text={text.cancel}
          look="quiet"
          size="desk"
          grow
          onPress={() => onForm({ asking: null })}
        />
      </View>
    </View>
  );
}

function Reopen({ followUp, onSettle }: OnSettle) {
  const { error, isBusy, settle } = useSettle(onSettle);
  return (
    <>
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      <BigButton
        text={text.reopen}
        label={`${text.reopen}: ${followUp.text}`}
        look="quiet"
        size="desk"
        disabled={isBusy}
        onPress={() => void settle({ state: 'open', note: followUp.note, seenKm: null })}
      />
    </>
  );
}

function useSettle(onSettle: Props['onSettle']) {
  const [error, setError] = useState<AppError | null>(null);
  const [isBusy, setBusy] = useState(false);
  const settle = async (said: Settled, after: () => void = () => undefined): Promise<void> => {
    setBusy(true);
    setError(null);
    await onSettle(said).then(after, (e: unknown) =>
      setError(e instanceof AppError ? e : new AppError('INTERNAL')),
    );
    setBusy(false);
  };
  return { error, isBusy, settle };
}

const styles = StyleSheet.create({
  row: { borderTopWidth: 1, paddingTop: 12, gap: 8 },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
