import { useState } from 'react';
import { View } from 'react-native';
import type { AppError } from '@stennet/core/errors';
import { asAppError } from '@/data';
import { setPin as setPinOf } from '@/data/shop';
import { BigButton, Line, Notice, PinField, Section } from '@/ui';
import { text } from './text';

/** A lead's PIN: their word on a technician's device. */
export function PinCard() {
  const [pin, setPin] = useState('');
  const [password, setPassword] = useState('');
  const [error, setError] = useState<AppError | null>(null);
  const [isSet, setIsSet] = useState(false);
  const save = (): void => {
    setIsSet(false);
    setPinOf(pin, password).then(
      () => {
        setError(null);
        setIsSet(true);
        setPin('');
        setPassword('');
      },
      (e: unknown) => setError(asAppError(e)),
    );
  };
  return (
    <Section title={text.pin}>
      <Line>{text.pinText}</Line>
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      {isSet ? (
        <View role="status">
          <Line strong>{text.pinSaved}</Line>
        </View>
      ) : null}
      <PinField label={text.pinLabel} value={pin} onChange={setPin} />
      <PinField label={text.pinPassword} value={password} onChange={setPassword} isDigits={false} />
      <BigButton
        text={text.pinSave}
        look="plain"
        size="desk"
        disabled={!pin || !password}
        onPress={save}
      />
    </Section>
  );
}
