import { useState } from 'react';
import { View } from 'react-native';
import { otherCompound } from '@stennet/core/prepare';
import type { Group, Sheet } from '@stennet/core/procedure';
import type { FrictionCondition } from '@stennet/core/thread';
import { BigButton, Line, Section } from '@/ui';
import { CompoundsView, OtherCompound } from '@/ui/work';
import { text } from '../text';

/** Each compound at its place on the fastener, and what another one would do. */
export function Compounds({ sheet }: { sheet: Sheet }) {
  return (
    <Section title={text.compounds}>
      {sheet.groups.map((g) => (
        <OfGroup key={g.id} sheet={sheet} group={g} />
      ))}
    </Section>
  );
}

function OfGroup({ sheet, group }: { sheet: Sheet; group: Group }) {
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<FrictionCondition | undefined>(undefined);
  return (
    <View style={{ gap: 8 }}>
      {group.compounds.length > 0 ? (
        <>
          <Line strong>{group.name}</Line>
          <CompoundsView group={group} />
        </>
      ) : (
        <Line strong>{text.nothing(group.name)}</Line>
      )}
      {open ? (
        <OtherCompound
          label={text.otherCompound}
          published={group.frictionCondition}
          chosen={chosen}
          onChoose={setChosen}
          change={chosen ? otherCompound(sheet, group, chosen) : null}
        />
      ) : (
        <BigButton text={text.otherCompound} label={`${text.otherCompound} ${group.name}`} look="quiet" size="desk" onPress={() => setOpen(true)} />
      )}
    </View>
  );
}
