import { useState } from 'react';
import { changePassword } from '@/data/shop';
import { BigButton, PinField, Section } from '@/ui';
import { Said } from './Said';
import { text } from './text';
import { useDoing } from './useDoing';

export function PasswordCard() {
  const [own, setOwn] = useState('');
  const [password, setPassword] = useState('');
  const { error, done, isBusy, doing } = useDoing();
  const change = (): void =>
    doing(
      () => changePassword(own, password),
      text.passwordDone,
      () => {
        setOwn('');
        setPassword('');
      },
    );
  return (
    <Section title={text.password}>
      <Said error={error} done={done} />
      <PinField label={text.passwordOld} value={own} onChange={setOwn} isDigits={false} />
      <PinField label={text.passwordNew} value={password} onChange={setPassword} isDigits={false} />
      <BigButton
        text={text.passwordGo}
        look="plain"
        size="desk"
        disabled={!own || password.length < 10 || isBusy}
        onPress={change}
      />
    </Section>
  );
}
