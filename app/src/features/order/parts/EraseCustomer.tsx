import { useState } from 'react';
import { View } from 'react-native';
import type { AppError } from '@stennet/core/errors';
import { asAppError, eraseCustomer } from '@/data';
import { BigButton, Line, Notice, PinField } from '@/ui';
import { text } from '../text';

/** For the lead, once the vehicle is gone. It cannot be taken back, so it asks for the password. */
export function EraseCustomer({ order }: { order: string }) {
  const [isAsked, setAsked] = useState(false);
  const [own, setOwn] = useState('');
  const [error, setError] = useState<AppError | null>(null);
  const [isBusy, setBusy] = useState(false);
  if (!isAsked)
    return <BigButton text={text.erase} look="quiet" size="desk" onPress={() => setAsked(true)} />;
  const erase = (): void => {
    setBusy(true);
    eraseCustomer(order, own).then(
      () => setAsked(false),
      (e: unknown) => {
        setError(asAppError(e));
        setBusy(false);
      },
    );
  };
  return (
    <View style={{ gap: 8 }}>
      <Line>{text.eraseText}</Line>
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      <PinField label={text.erasePassword} value={own} onChange={setOwn} isDigits={false} />
      <BigButton
        text={text.eraseYes}
        look="plain"
        size="desk"
        disabled={!own || isBusy}
        onPress={erase}
      />
      <BigButton text={text.cancel} look="quiet" size="desk" onPress={() => setAsked(false)} />
    </View>
  );
}
