import { useState } from 'react';
import { View } from 'react-native';
import { IDLE_MINUTES } from '@stennet/core/contract';
import type { AppError } from '@stennet/core/errors';
import { asAppError, saveShop, useSignedIn } from '@/data';
import { BigButton, ChoiceField, Line, Notice, PinField, Section, TextField } from '@/ui';
import { text } from './text';

const nearest = (minutes: number): (typeof IDLE_MINUTES)[number] => IDLE_MINUTES.find((m) => m >= minutes) ?? 840;

/** What the lead decides for the whole shop. */
export function ShopCard() {
  const { me } = useSignedIn();
  const { secondSignature, timeZone, idleMinutes } = me.shop;
  const [zone, setZone] = useState(timeZone);
  const [idle, setIdle] = useState(nearest(idleMinutes));
  const [own, setOwn] = useState('');
  const [error, setError] = useState<AppError | null>(null);
  const [isSaved, setSaved] = useState(false);
  const save = (second: boolean): void => {
    setError(null);
    setSaved(false);
    saveShop({ secondSignature: second, timeZone: zone.trim(), idleMinutes: idle, ...(own ? { own } : {}) }).then(
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
      {secondSignature ? <PinField label={text.secondOwn} value={own} onChange={setOwn} isDigits={false} /> : null}
      <BigButton text={secondSignature ? text.secondOn : text.secondOff} look="plain" size="desk" disabled={secondSignature && !own} onPress={() => save(!secondSignature)} />
      <TextField label={text.zone} value={zone} onChange={setZone} />
      <ChoiceField
        label={text.idle}
        value={String(idle)}
        options={IDLE_MINUTES.map((m) => ({ value: String(m), text: text.idleTimes[m] ?? '' }))}
        onChange={(m) => setIdle(nearest(Number(m)))}
      />
      <BigButton text={text.shopSave} look="plain" size="desk" disabled={zone === timeZone && idle === nearest(idleMinutes)} onPress={() => save(secondSignature)} />
    </Section>
  );
}
