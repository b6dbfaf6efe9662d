import { useWatch } from 'react-hook-form';
import * as v from 'valibot';
import { ROLE_TEXT, ROLES, type Role } from '@stennet/core/contract';
import { addPerson } from '@/data/shop';
import {
  FormChoice,
  FormSecret,
  FormText,
  needed,
  newPassword,
  Said,
  useDoing,
  useFields,
} from '@/forms';
import { commonText } from '@/language/common';
import { newId } from '@/platform/ids';
import { BigButton, Section } from '@/ui';
import { text } from './text';

const NewPerson = v.pipe(
  v.object({
    name: needed(() => text.addName, 80),
    password: newPassword(),
    role: v.picklist(ROLES),
    own: v.string(),
  }),
  v.forward(
    v.check(
      ({ role, own }) => role !== 'lead' || own !== '',
      () => commonText.missing({ field: text.own }),
    ),
    ['own'],
  ),
);
const NOBODY = { name: '', password: '', role: 'technician' as Role, own: '' };

/**
 * Someone new, with a password to begin with. Another lead opens every door: that asks who does
 * it.
 */
export function AddPersonCard() {
  const { control, handleSubmit, reset } = useFields(NOBODY, NewPerson);
  const role = useWatch({ control, name: 'role' });
  const { error, done, isBusy, doing } = useDoing();
  const add = handleSubmit(({ own, ...person }) =>
    doing(
      () => addPerson({ id: newId(), ...person, ...(person.role === 'lead' ? { own } : {}) }),
      text.added({ name: person.name }),
      () => reset({ ...NOBODY, role: person.role }),
    ),
  );
  return (
    <Section title={text.add}>
      <Said error={error} done={done} />
      <FormText control={control} name="name" label={text.addName} />
      <FormSecret control={control} name="password" label={text.addPassword} />
      <FormChoice
        control={control}
        name="role"
        label={text.role}
        options={ROLES.map((value) => ({ value, text: ROLE_TEXT[value] }))}
      />
      {role === 'lead' ? <FormSecret control={control} name="own" label={text.own} /> : null}
      <BigButton
        text={text.addGo}
        look="plain"
        size="desk"
        disabled={isBusy}
        onPress={() => void add()}
      />
    </Section>
  );
}
