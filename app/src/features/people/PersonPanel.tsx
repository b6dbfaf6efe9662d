import { useState } from 'react';
import { View } from 'react-native';
import { ROLES, type Person, type Role } from '@stennet/core/contract';
import { giveCode, savePerson } from '@/data/shop';
import { BigButton, ChoiceField, Heading, Line, PinField } from '@/ui';
import { Said } from './Said';
import { SessionList } from './SessionList';
import { ROLE_TEXT } from '@stennet/core/contract';
import { text } from './text';
import { useDoing } from './useDoing';

/**
 * What may be done to one person: another role, leaving and coming back, a code for a new password,
 * their sign-ins.
 */
export function PersonPanel({ person, onClose }: { person: Person; onClose: () => void }) {
  const [role, setRole] = useState<Role>(person.role);
  const [own, setOwn] = useState('');
  const { error, done, isBusy, doing } = useDoing();
  const save = (to: { role: Role; active: boolean }): void =>
    doing(() => savePerson(person.id, { ...to, ...(own ? { own } : {}) }), text.saved);
  const asksPassword = role === 'lead' && person.role !== 'lead';
  return (
    <View style={{ gap: 12 }}>
      <Heading>
        {person.active
          ? text.person({ name: person.name, role: ROLE_TEXT[person.role] })
          : text.left({ name: person.name })}
      </Heading>
      <Said error={error} done={done} />
      {person.active ? (
        <>
          <ChoiceField
            label={text.role}
            value={role}
            options={ROLES.map((value) => ({ value, text: ROLE_TEXT[value] }))}
            onChange={setRole}
          />
          {asksPassword || error?.code === 'PASSWORD_NEEDED' ? (
            <PinField label={text.own} value={own} onChange={setOwn} isDigits={false} />
          ) : null}
          {role !== person.role ? (
            <BigButton
              text={text.roleGo}
              look="plain"
              size="desk"
              disabled={isBusy || (asksPassword && !own)}
              onPress={() => save({ role, active: true })}
            />
          ) : null}
          <CodeGiver person={person} />
          <Heading>{text.sessionsOf({ name: person.name })}</Heading>
          <SessionList person={person.id} />
          <Line>{text.leavesText}</Line>
          <BigButton
            text={text.leaves({ name: person.name })}
            look="quiet"
            size="desk"
            disabled={isBusy}
            onPress={() => save({ role: person.role, active: false })}
          />
        </>
      ) : (
        <BigButton
          text={text.comesBack({ name: person.name })}
          look="plain"
          size="desk"
          disabled={isBusy}
          onPress={() =>
            save({ role: person.role === 'lead' ? 'technician' : person.role, active: true })
          }
        />
      )}
      <BigButton text={text.close} look="quiet" size="desk" onPress={onClose} />
    </View>
  );
}

/** Shown once, to be said or written on a slip. */
function CodeGiver({ person }: { person: Person }) {
  const [own, setOwn] = useState('');
  const [given, setGiven] = useState<{ code: string; hours: number } | null>(null);
  const { error, isBusy, doing } = useDoing();
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
      <PinField label={text.own} value={own} onChange={setOwn} isDigits={false} />
      <BigButton
        text={text.codeGo}
        look="plain"
        size="desk"
        disabled={!own || isBusy}
        onPress={() => doing(async () => setGiven(await giveCode(person.id, own)), '')}
      />
    </View>
  );
}
