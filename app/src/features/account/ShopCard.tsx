import { useState } from 'react';
import type { AppError } from '@stennet/core/errors';
import { asAppError, saveShop, useSignedIn } from '@/data';
import { BigButton, Line, Notice, Section } from '@/ui';
import { text } from './text';

/** What the lead decides for the whole shop. */
export function ShopCard() {
  const { me } = useSignedIn();
  const [error, setError] = useState<AppError | null>(null);
  const wants = me.shop.secondSignature;
  const save = (): void => {
    setError(null);
    saveShop(!wants).catch((e: unknown) => setError(asAppError(e)));
  };
  return (
    <Section title={text.shop}>
      <Line>{text.secondText}</Line>
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      <BigButton text={wants ? text.secondOn : text.secondOff} look="plain" size="desk" onPress={save} />
    </Section>
  );
}
