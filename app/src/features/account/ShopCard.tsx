import { textAt } from '@stennet/core/language';
import { useState } from 'react';
import { View } from 'react-native';
import { IDLE_MINUTES, RETENTION_MONTHS } from '@stennet/core/contract';
import type { AppError } from '@stennet/core/errors';
import { asAppError, saveShop, useSignedIn, witnessPath } from '@/data';
import { openFile } from '@/platform/files';
import { BigButton, ChoiceField, Line, Notice, PinField, Section, TextField } from '@/ui';
import { text } from './text';

const nearest = (minutes: number): (typeof IDLE_MINUTES)[number] =>
  IDLE_MINUTES.find((m) => m >= minutes) ?? 840;

/** null: always. */
const keptMonths = (months: number | null): (typeof RETENTION_MONTHS)[number] | null =>
  RETENTION_MONTHS.find((m) => m === months) ?? null;

/** What the lead decides for the whole shop. */
export function ShopCard() {
  const { me } = useSignedIn();
  const { secondSignature, timeZone, idleMinutes, retentionMonths } = me.shop;
  const [zone, setZone] = useState(timeZone);
  const [idle, setIdle] = useState(nearest(idleMinutes));
  const [months, setMonths] = useState(keptMonths(retentionMonths));
  const [own, setOwn] = useState('');
  const [error, setError] = useState<AppError | null>(null);
  const [isSaved, setSaved] = useState(false);
  const save = (second: boolean): void => {
    setError(null);
    setSaved(false);
    saveShop({
      secondSignature: second,
      timeZone: zone.trim(),
      idleMinutes: idle,
      retentionMonths: months,
      ...(own ? { own } : {}),
    }).then(
      () => {
        setOwn('');
        setSaved(true);
      },
      (e: unknown) => setError(asAppError(e)),
    );
  };
  return (
    <Section title={text.shop}>
      <Line>{text.secondText}</Line>
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      {isSaved ? (
        <View role="status">
          <Line strong>{text.shopSaved}</Line>
        </View>
      ) : null}
      {secondSignature ? (
        <PinField label={text.secondOwn} value={own} onChange={setOwn} isDigits={false} />
      ) : null}
      <BigButton
        text={secondSignature ? text.secondOn : text.secondOff}
        look="plain"
        size="desk"
        disabled={secondSignature && !own}
        onPress={() => save(!secondSignature)}
      />
      <TextField label={text.zone} value={zone} onChange={setZone} />
      <ChoiceField
        label={text.idle}
        value={String(idle)}
        options={IDLE_MINUTES.map((m) => ({ value: String(m), text: text.idleTimes[m] ?? '' }))}
        onChange={(m) => setIdle(nearest(Number(m)))}
      />
      <ChoiceField
        label={text.retention}
        value={String(months ?? 0)}
        options={[0, ...RETENTION_MONTHS].map((m) => ({
          value: String(m),
          text: textAt(text.retentionTimes, m) ?? '',
        }))}
        onChange={(m) => setMonths(keptMonths(Number(m)))}
      />
      <BigButton
        text={text.shopSave}
        look="plain"
        size="desk"
        disabled={
          zone === timeZone &&
          idle === nearest(idleMinutes) &&
          months === keptMonths(retentionMonths)
        }
        onPress={() => save(secondSignature)}
      />
      <Line>{text.witnessText}</Line>
      <BigButton
        text={text.witness}
        look="quiet"
        size="desk"
        onPress={() => openFile(witnessPath, 'keep')}
      />
    </Section>
  );
}
