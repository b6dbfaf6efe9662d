import { useRouter } from 'expo-router';
import { useState } from 'react';
import { isAllowed, type Signing } from '@stennet/core/contract';
import { AppError, type ErrorCode } from '@stennet/core/errors';
import type { SignedKind } from '@stennet/core/record';
import { asAppError, signRun, useSignedIn, useSigning } from '@/data';
import type { RunView } from '@/data/runStore';
import { BigButton, Line, Loading, MONO, Notice, Section, TextField, useInks } from '@/ui';
import { Text } from 'react-native-paper';
import { text } from '../text';
import { SignedWords } from './SignedWords';

/** Who signed it, whether it still holds, and what comes next of that. Signing needs the server. */
export function SigningCard({ view }: { view: RunView }) {
  const signing = useSigning(view.kept.id);
  // “Checked just now” is said of a check of this moment, never of a kept one.
  if (signing.data && signing.isFetchedAfterMount)
    return <Signed view={view} signing={signing.data} />;
  return (
    <Section title={text.signing}>
      {signing.isError ? (
        <Notice
          title={text.signingOffline}
          text={asAppError(signing.error).fix}
          action={{ text: text.retry, onPress: () => void signing.refetch() }}
        />
      ) : (
        <Loading text={text.signingLoading} />
      )}
    </Section>
  );
}

function Signed({ view, signing }: { view: RunView; signing: Signing }) {
  const inks = useInks();
  return (
    <Section title={text.signing}>
      {signing.fault ? <Notice title={text.broken} text={signing.fault} look="warn" alert /> : null}
      {signing.signedForOther ? (
        <Notice title={text.signedForOther} text={signing.signedForOther} look="warn" alert />
      ) : null}
      <SignedWords words={signing.words} />
      {signing.fault ? null : (
        <Line>
          {signing.words.length > 0
            ? text.holds({ n: signing.position })
            : text.sealed({ n: signing.position })}
        </Line>
      )}
      <Text selectable style={{ fontFamily: MONO, fontSize: 14, color: inks.inkSoft }}>
        {text.key({ fingerprint: signing.fingerprint })}
      </Text>
      {signing.late > 0 ? <Line strong>{text.late({ count: signing.late })}</Line> : null}
      {signing.oddTimes.map((odd) => (
        <Line key={odd}>{`▲ ${odd}`}</Line>
      ))}
      <WhatNext view={view} signing={signing} />
    </Section>
  );
}

/** The one signature that may come now, or why none can. */
function WhatNext({ view, signing }: { view: RunView; signing: Signing }) {
  const { me } = useSignedIn();
  const router = useRouter();
  const [error, setError] = useState<AppError | null>(null);
  const [isBusy, setBusy] = useState(false);
  const { kept, state } = view;
  const sign = (kind: SignedKind, words?: string): Promise<boolean> => {
    setBusy(true);
    setError(null);
    return signRun(kept.id, {
      kind,
      position: state.events.length,
      ...(words ? { text: words } : {}),
    })
      .then(() => true)
      .catch((e: unknown) => {
        setError(asAppError(e));
        return false;
      })
      .finally(() => setBusy(false));
  };
  if (!isAllowed(me.role, 'run.write')) return null;
  const own = new Set(state.events.toArray().map((e) => e.person)).has(me.person.id);
  const first = signing.words.find((w) => w.kind === 'technician');
  const second = signing.words.some((w) => w.kind === 'second');
  const why = signing.mayNot
    ? new AppError(signing.mayNot.code as ErrorCode, signing.mayNot.params)
    : null;
  const unsent = view.unsent > 0 || view.refused.length > 0;
  return (
    <>
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      {unsent ? <Line strong>{text.signUnsent}</Line> : null}
      {why && !signing.fault ? <Line>{`${why.message} ${why.fix}`}</Line> : null}
      {why?.code === 'RECORD_PENDING' && me.role === 'lead' ? (
        <BigButton text={text.decide} onPress={() => router.navigate(`/runs/${kept.id}`)} />
      ) : null}
      {!first && !why && !unsent ? (
        own ? (
          <>
            <Line>{text.signText}</Line>
            <BigButton text={text.sign} disabled={isBusy} onPress={() => void sign('technician')} />
          </>
        ) : (
          <Line>{text.waitsFor}</Line>
        )
      ) : null}
      {first && !second && first.person !== me.person.id && !why ? (
        <BigButton
          text={text.signSecond}
          look={signing.wantsSecond ? 'main' : 'plain'}
          disabled={isBusy}
          onPress={() => void sign('second')}
        />
      ) : null}
      {first && signing.state === 'wantsSecond' && first.person === me.person.id ? (
        <Line>{text.waitsSecond}</Line>
      ) : null}
      {first && !signing.fault ? (
        <LaterWord isBusy={isBusy} onSay={(words) => sign('addendum', words)} />
      ) : null}
    </>
  );
}

function LaterWord({
  isBusy,
  onSay,
}: {
  isBusy: boolean;
  onSay: (words: string) => Promise<boolean>;
}) {
  const [isOpen, setOpen] = useState(false);
  const [words, setWords] = useState('');
  if (!isOpen)
    return <BigButton text={text.later} look="quiet" size="desk" onPress={() => setOpen(true)} />;
  const say = (): void =>
    void onSay(words.trim()).then((isSaid) => {
      if (!isSaid) return;
      setWords('');
      setOpen(false);
    });
  return (
    <>
      <Line>{text.laterText}</Line>
      <TextField
        label={text.laterLabel}
        value={words}
        onChange={(w) => setWords(w.slice(0, 1000))}
        lines={3}
      />
      <BigButton
        text={text.laterYes}
        look="plain"
        size="desk"
        disabled={isBusy || !words.trim()}
        onPress={say}
      />
      <BigButton text={text.cancel} look="quiet" size="desk" onPress={() => setOpen(false)} />
    </>
  );
}
