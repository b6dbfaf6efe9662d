import * as v from 'valibot';
import { changePassword } from '@/data/shop';
import { FormSecret, newPassword, Said, secret, useDoing, useFields } from '@/forms';
import { BigButton, Section } from '@/ui';
import { text } from './text';

const Passwords = v.object({ own: secret(() => text.passwordOld), password: newPassword() });

export function PasswordCard() {
  const { control, handleSubmit, reset } = useFields({ own: '', password: '' }, Passwords);
  const { error, done, isBusy, doing } = useDoing();
  const change = handleSubmit(({ own, password }) =>
    doing(() => changePassword(own, password), text.passwordDone, reset),
  );
  return (
    <Section title={text.password}>
      <Said error={error} done={done} />
      <FormSecret control={control} name="own" label={text.passwordOld} />
      <FormSecret control={control} name="password" label={text.passwordNew} />
      <BigButton
        text={text.passwordGo}
        look="plain"
        size="desk"
        disabled={isBusy}
        onPress={() => void change()}
      />
    </Section>
  );
}
