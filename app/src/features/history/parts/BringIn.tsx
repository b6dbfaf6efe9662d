import { useState } from 'react';
import { View } from 'react-native';
import { isAllowed } from '@stennet/core/contract';
import type { AppError } from '@stennet/core/errors';
import { asAppError, takeForeign, useSignedIn } from '@/data';
import { chooseFile } from '@/platform/files';
import { BigButton, Line, Notice, Section } from '@/ui';
import { text } from '../text';
import { ForeignRow } from './ForeignRow';

/** A record from another shop: checked before any of it is kept. */
export function BringIn() {
  const { me } = useSignedIn();
  const [error, setError] = useState<AppError | null>(null);
  const [taken, setTaken] = useState<Awaited<ReturnType<typeof takeForeign>> | null>(null);
  if (!isAllowed(me.role, 'order.write')) return null;
  const bring = async (): Promise<void> => {
    const file = await chooseFile('application/json,application/zip,.json,.zip');
    if (!file) return;
    setError(null);
    setTaken(null);
    await takeForeign(file).then(setTaken, (e: unknown) => setError(asAppError(e)));
  };
  return (
    <Section title={text.foreign}>
      <Line>{text.bringInText}</Line>
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      {taken ? (
        <View role="status">
          <Line strong>{text.taken({ count: taken.taken })}</Line>
          {taken.records.map((r) => (
            <ForeignRow key={r.run} of={r} under={`${r.from}${text.kept[r.kept]}`} />
          ))}
        </View>
      ) : null}
      <BigButton text={text.bringIn} look="quiet" size="desk" onPress={() => void bring()} />
    </Section>
  );
}
