import { commonText } from '@/language/common';
import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { isAllowed, type Person } from '@stennet/core/contract';
import { asAppError, usePeople, useSignedIn } from '@/data';
import { BigButton, Loading, Notice, ScreenFrame, Section } from '@/ui';
import { AddPersonCard } from './AddPersonCard';
import { DoorLog } from './DoorLog';
import { PasswordCard } from './PasswordCard';
import { PersonPanel } from './PersonPanel';
import { SessionList } from './SessionList';
import { ROLE_TEXT } from '@stennet/core/contract';
import { text } from './text';

/**
 * One's own password and sign-ins; for a lead also who works there, and what
 * happened at the door.
 */
export function PeopleScreen() {
  const { me } = useSignedIn();
  const mayChange = isAllowed(me.role, 'shop.write');
  const own = (
    <>
      <PasswordCard />
      <Section title={text.sessions}>
        <SessionList person={me.person.id} />
      </Section>
      {mayChange ? <DoorLog /> : null}
    </>
  );
  return (
    <ScreenFrame
      title={mayChange ? text.title : text.titleOwn}
      back="/shop"
      backLabel={commonText.backToShop}
    >
      <View style={styles.column}>{mayChange ? <PeopleList below={own} /> : own}</View>
    </ScreenFrame>
  );
}

/**
 * @param below comes with the list, or what is tapped there would be pushed away from under the
 * thumb
 */
function PeopleList({ below }: { below: ReactNode }) {
  const people = usePeople();
  const [chosen, setChosen] = useState<string | null>(null);
  if (people.isError)
    return (
      <>
        <Notice
          title={text.failed}
          text={asAppError(people.error).fix}
          action={{ text: text.retry, onPress: () => void people.refetch() }}
          alert
        />
        {below}
      </>
    );
  if (!people.data) return <Loading text={text.loading} />;
  return (
    <>
      <Section title={text.people}>
        {people.data.people.map((p) =>
          p.id === chosen ? (
            <PersonPanel key={p.id} person={p} onClose={() => setChosen(null)} />
          ) : (
            <PersonLine key={p.id} person={p} onChange={setChosen} />
          ),
        )}
      </Section>
      <AddPersonCard />
      {below}
    </>
  );
}

function PersonLine({ person, onChange }: { person: Person; onChange: (id: string) => void }) {
  const said = person.active
    ? text.person({ name: person.name, role: ROLE_TEXT[person.role] })
    : text.left({ name: person.name });
  return (
    <BigButton
      text={said}
      label={text.change({ name: said })}
      look="quiet"
      size="desk"
      onPress={() => onChange(person.id)}
    />
  );
}

const styles = StyleSheet.create({
  column: { width: '100%', maxWidth: 720, alignSelf: 'center', gap: 12 },
});
