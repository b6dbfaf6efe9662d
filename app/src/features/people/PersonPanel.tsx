import { useState } from 'react';
import { View } from 'react-native';
import { useWatch } from 'react-hook-form';
import * as v from 'valibot';
import { ROLE_TEXT, ROLES, type Person } from '@stennet/core/contract';
import { giveCode, savePerson } from '@/data/shop';
import { FormChoice, FormSecret, Said, secret, useDoing, useFields } from '@/forms';
import { commonText } from '@/language/common';
import { BigButton, Heading, Line } from '@/ui';
import { SessionList } from './SessionList';
import { text } from './text';

/**
 * What may be done to one person: another role, leaving and coming back, a code for a new password,
 * their sign-ins.
 */
export function PersonPanel({ person, onClose }: { person: Person; onClose: () => void }) {
  return (
    <View style={{ gap: 12 }}>
      <Heading>
        {person.active
          ? text.person({ name: person.name, role: ROLE_TEXT[person.role] })
          : text.left({ name: person.name })}
      </Heading>
      {person.active ? (
        <>
          <RoleOf person={person} />
          <CodeGiver person={person} />
          <Heading>{text.sessionsOf({ name: person.name })}</Heading>
          <SessionList person={person.id} />
          <Line>{text.leavesText}</Line>
        </>
      ) : null}
      <ComesAndGoes person={person} />
      <BigButton text={text.close} look="quiet" size="desk" onPress={onClose} />
    </View>
  );
}

/** A new lead may do everything: whoever says so shows that it is them. */
const opensAll = (was: Person['role'], role: Person['role']): boolean =>
  role === 'lead' && was !== 'lead';

function RoleOf({ person }: { person: Person }) {
  const fields = v.pipe(
    v.object({ role: v.picklist(ROLES), own: v.string() }),
    v.forward(
      v.check(
        ({ role, own }) => !opensAll(person.role, role) || own !== '',
        () => commonText.missing({ field: text.own }),
      ),
      ['own'],
    ),
  );
  const { control, handleSubmit } = useFields({ role: person.role, own: '' }, fields);
  const role = useWatch({ control, name: 'role' });
  const { error, done, isBusy, doing } = useDoing();
  const save = handleSubmit(({ role: to, own }) =>
    doing(
      () => savePerson(person.id, { role: to, active: true, ...(own ? { own } : {}) }),
      text.saved,
    ),
  );
  return (
    <>
      <Said error={error} done={done} />
      <FormChoice
        control={control}
        name="role"
        label={text.role}
        options={ROLES.map((value) => ({ value, text: ROLE_TEXT[value] }))}
      />
      {opensAll(person.role, role) || error?.code === 'PASSWORD_NEEDED' ? (
        <FormSecret control={control} name="own" label={text.own} />
      ) : null}
      {role === person.role ? null : (
        <BigButton
          text={text.roleGo}
          look="plain"
          size="desk"
          disabled={isBusy}
          onPress={() => void save()}
        />
      )}
    </>
  );
}

function ComesAndGoes({ person: { id, name, role, active } }: { person: Person }) {
  const { error, done, isBusy, doing } = useDoing();
  return (
    <>
      <Said error={error} done={done} />
      <BigButton
        text={active ? text.leaves({ name }) : text.comesBack({ name })}
        look={active ? 'quiet' : 'plain'}
        size="desk"
        disabled={isBusy}
        onPress={() =>
          doing(
            () =>
              savePerson(
                id,
                active
                  ? { role, active: false }
                  : { role: role === 'lead' ? 'technician' : role, active: true },
              ),
            text.saved,
          )
        }
      />
    </>
  );
}

const Own = v.object({ own: secret(() => text.own) });

/** Shown once, to be said or written on a slip. */
function CodeGiver({ person }: { person: Person }) {
  const { control, handleSubmit } = useFields({ own: '' }, Own);
  const [given, setGiven] = useState<{ code: string; hours: number } | null>(null);
  const { error, isBusy, doing } = useDoing();
  const give = handleSubmit(({ own }) =>
    doing(async () => setGiven(await giveCode(person.id, own)), ''),
  );
  if (given)
    return (
      <View role="status" style={{ gap: 4 }}>
        <Line strong>{text.codeIs({ name: person.name, hours: given.hours })}</Line>
        <Heading>{given.code}</Heading>
        <Line>{text.codeShown}</Line>
      </View>
    );
  return (
    <View style={{ gap: 12 }}>
      <Heading>{text.code}</Heading>
      <Line>{text.codeText}</Line>
      <Said error={error} done="" />
      <FormSecret control={control} name="own" label={text.own} />
      <BigButton
        text={text.codeGo}
        look="plain"
        size="desk"
        disabled={isBusy}
        onPress={() => void give()}
      />
    </View>
  );
}
