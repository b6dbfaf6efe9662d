import { useState } from 'react';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { isAllowed } from '@stennet/core/contract';
import type { AppError } from '@stennet/core/errors';
import { asAppError, takeForeign, useSignedIn } from '@/data';
import { chooseFile } from '@/platform/files';
import { BigButton, Line, Notice, Section } from '@/ui';
import { text } from '../text';

/** A record from another shop: checked before any of it is kept. */
export function BringIn() {
  const router = useRouter();
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
          <Line strong>{text.taken(taken.taken)}</Line>
          {taken.records.map((r) => (
            <View key={r.run} style={{ gap: 8, marginTop: 8 }}>
              <Line>{`${text.foreignTitle(r.number, r.joint)}, ${r.from}${text.kept[r.kept]}`}</Line>
              <BigButton
                text={text.foreignOpen}
                label={`${text.foreignOpen}: ${text.foreignTitle(r.number, r.joint)}`}
                look="quiet"
                size="desk"
                onPress={() => router.push(`/foreign/${r.run}`)}
              />
            </View>
          ))}
        </View>
      ) : null}
      <BigButton text={text.bringIn} look="quiet" size="desk" onPress={() => void bring()} />
    </Section>
  );
}
