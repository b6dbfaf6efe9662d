import { useState } from 'react';
import { View } from 'react-native';
import { ROLES, type Role } from '@stennet/core/contract';
import type { AppError } from '@stennet/core/errors';
import { asAppError, call, queryClient, usePeople } from '@/data';
import { newId } from '@/platform/ids';
import { BigButton, ChoiceField, Line, Notice, PinField, Section, TextField } from '@/ui';
import { text } from './text';

/** Who works here; a lead adds people, each with a password to begin with. */
export function PeopleCard() {
  const people = usePeople();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [role, setRole] = useState<Role>('technician');
  const [error, setError] = useState<AppError | null>(null);
  const [added, setAdded] = useState('');
  const add = (): void => {
    setError(null);
    setAdded('');
    call('addPerson', {}, { id: newId(), name: name.trim(), password, role }).then(
      () => {
        setAdded(text.peopleAdded(name.trim()));
        setName('');
        setPassword('');
        void queryClient.invalidateQueries({ queryKey: ['people'] });
      },
      (e: unknown) => setError(asAppError(e)),
    );
  };
  return (
    <Section title={text.people}>
      {people.data?.people.map((p) => (
        <Line key={p.id}>{`${p.name}, ${text.roles[p.role]}`}</Line>
      ))}
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      {added ? (
        <View role="status">
          <Line strong>{added}</Line>
        </View>
      ) : null}
      <TextField label={text.peopleName} value={name} onChange={(n) => setName(n.slice(0, 80))} />
      <PinField label={text.peoplePassword} value={password} onChange={setPassword} isDigits={false} />
      <ChoiceField label={text.peopleRole} value={role} options={ROLES.map((value) => ({ value, text: text.roles[value] }))} onChange={setRole} />
      <BigButton text={text.peopleGo} look="plain" size="desk" disabled={!name.trim() || password.length < 10} onPress={add} />
    </Section>
  );
}
