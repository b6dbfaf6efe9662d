import { useState } from 'react';
import { ROLES, type Role } from '@stennet/core/contract';
import { addPerson } from '@/data/shop';
import { newId } from '@/platform/ids';
import { BigButton, ChoiceField, PinField, Section, TextField } from '@/ui';
import { Said } from './Said';
import { ROLE_TEXT } from '@stennet/core/contract';
import { text } from './text';
import { useDoing } from './useDoing';

/**
 * Someone new, with a password to begin with. Another lead opens every door: that asks who does
 * it.
 */
export function AddPersonCard() {
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [own, setOwn] = useState('');
  const [role, setRole] = useState<Role>('technician');
  const { error, done, isBusy, doing } = useDoing();
  const add = (): void =>
    doing(
      () => addPerson({ id: newId(), name, password, role, ...(role === 'lead' ? { own } : {}) }),
      text.added({ name: name.trim() }),
      () => {
        setName('');
        setPassword('');
        setOwn('');
      },
    );
  const isReady = name.trim() !== '' && password.length >= 10 && (role !== 'lead' || own !== '');
  return (
    <Section title={text.add}>
      <Said error={error} done={done} />
      <TextField label={text.addName} value={name} onChange={(n) => setName(n.slice(0, 80))} />
      <PinField label={text.addPassword} value={password} onChange={setPassword} isDigits={false} />
      <ChoiceField
        label={text.role}
        value={role}
        options={ROLES.map((value) => ({ value, text: ROLE_TEXT[value] }))}
        onChange={setRole}
      />
      {role === 'lead' ? (
        <PinField label={text.own} value={own} onChange={setOwn} isDigits={false} />
      ) : null}
      <BigButton
        text={text.addGo}
        look="plain"
        size="desk"
        disabled={!isReady || isBusy}
        onPress={add}
      />
    </Section>
  );
}
