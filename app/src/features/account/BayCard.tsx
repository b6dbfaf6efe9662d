import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { AppError } from '@stennet/core/errors';
import {
  asAppError,
  enrolHere,
  leaveBay,
  switchPerson,
  useEnrolled,
  useSignedIn,
  type Enrolled,
} from '@/data';
import { BigButton, Line, Notice, PinField, Section } from '@/ui';
import { text } from './text';

/** A phone that several share: enrol once, switch with a PIN. */
export function BayCard() {
  const { me } = useSignedIn();
  const enrolled = useEnrolled();
  const [error, setError] = useState<AppError | null>(null);
  const isHere = enrolled.some((e) => e.me.person.id === me.person.id);
  const enrol = (): void => {
    setError(null);
    enrolHere(me).catch((e: unknown) => setError(asAppError(e)));
  };
  return (
    <Section title={text.bay}>
      <Line>{text.bayText}</Line>
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      <SwitchList except={me.person.id} />
      {isHere ? <Line strong>{text.bayHere}</Line> : null}
      <BigButton
        text={isHere ? text.bayLeave : text.bayEnrol}
        look="quiet"
        size="desk"
        onPress={isHere ? () => leaveBay(me.person.id) : enrol}
      />
    </Section>
  );
}

/** Who else may take this device over, each with their PIN. */
export function SwitchList({ except }: { except: string | null }) {
  const router = useRouter();
  const enrolled = useEnrolled().filter((e) => e.me.person.id !== except);
  const [chosen, setChosen] = useState<Enrolled | null>(null);
  const [pin, setPin] = useState('');
  const [error, setError] = useState<AppError | null>(null);
  if (chosen) {
    const { name } = chosen.me.person;
    const go = (): void => {
      setError(null);
      switchPerson(chosen, pin).then(
        () => router.replace('/'),
        (e: unknown) => setError(asAppError(e)),
      );
    };
    return (
      <View style={{ gap: 12 }}>
        {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
        <PinField label={text.bayPin({ name })} value={pin} onChange={setPin} />
        <BigButton text={text.bayGo} disabled={!pin} onPress={go} />
        <BigButton text={text.cancel} look="quiet" onPress={() => setChosen(null)} />
      </View>
    );
  }
  return enrolled.map((e) => (
    <BigButton
      key={e.me.person.id}
      text={text.bayTo({ name: e.me.person.name })}
      look="plain"
      onPress={() => {
        setPin('');
        setChosen(e);
      }}
    />
  ));
}
