import { useState } from 'react';
import { View } from 'react-native';
import type { AppError } from '@stennet/core/errors';
import { asAppError, readUnsent, saveUnsent, useSending, useUnsentByPerson } from '@/data';
import { chooseFile } from '@/platform/files';
import { useStorage } from '@/platform/storage';
import { startsOffline } from '@/platform/serviceWorker';
import { BigButton, Line, Notice, Section } from '@/ui';
import { text, unsentOf } from './text';

/** What this device holds that the server does not have, and how safely it holds it. */
export function UnsentCard() {
  const { unsent } = useSending();
  const waiting = useUnsentByPerson(unsent).data ?? [];
  const storage = useStorage();
  const [said, setSaid] = useState('');
  const [error, setError] = useState<AppError | null>(null);
  const failed = (e: unknown): void => setError(asAppError(e));
  const read = async (): Promise<void> => {
    const file = await chooseFile('application/json,.json');
    if (file) await readUnsent(file).then((n) => setSaid(text.unsentBack({ count: n })), failed);
  };
  return (
    <Section title={text.device}>
      <Line>{startsOffline() ? text.startsOffline : text.needsServer}</Line>
      {window.isSecureContext ? null : <Line strong>{text.insecure}</Line>}
      {storage === null ? null : <Line>{storage.isKept ? text.storageKept : text.storageMay}</Line>}
      {storage?.isNearlyFull ? <Notice title={text.storageFull} look="warn" alert /> : null}
      {unsent > 0 ? <Line strong>{text.unsentKept({ count: unsent })}</Line> : null}
      {waiting.map((w) => (
        <Line key={w.name}>{unsentOf(w)}</Line>
      ))}
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      {said ? (
        <View role="status">
          <Line strong>{said}</Line>
        </View>
      ) : null}
      {unsent > 0 ? (
        <BigButton
          text={text.unsentSave}
          look="quiet"
          size="desk"
          onPress={() =>
            void saveUnsent().then((n) => setSaid(text.unsentSaved({ count: n })), failed)
          }
        />
      ) : null}
      <BigButton text={text.unsentRead} look="quiet" size="desk" onPress={() => void read()} />
    </Section>
  );
}
