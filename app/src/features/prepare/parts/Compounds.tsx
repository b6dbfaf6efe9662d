import { useState } from 'react';
import { View } from 'react-native';
import type { JointSheet } from '@stennet/core/contract/work';
import { otherCompound } from '@stennet/core/prepare';
import type { Group } from '@stennet/core/procedure';
import { FRICTION_TEXT, type FrictionCondition } from '@stennet/core/thread';
import { ofKind, saveEntry, type ShownEntry } from '@/data';
import { BenchLink, BigButton, Fold, Line, Notice, Section } from '@/ui';
import { CompoundsView, OtherCompound } from '@/ui/work';
import { text } from '../text';

interface Props {
  data: JointSheet;
  entries: readonly ShownEntry[];
}

/**
 * Each compound at its place on the fastener, and what another one would do; one that is chosen
 * stays chosen, for the lead at the bolt.
 */
export function Compounds({ data, entries }: Props) {
  return (
    <Section title={text.compounds}>
      {data.sheet.groups.map((g) => (
        <OfGroup key={g.id} data={data} entries={entries} group={g} />
      ))}
    </Section>
  );
}

function OfGroup({ data, entries, group }: Props & { group: Group }) {
  const kept = ofKind(entries, 'compound').find(
    (e) => e.body.joint === data.joint && e.body.group === group.id,
  );
  const chosen =
    kept && kept.body.condition !== group.frictionCondition ? kept.body.condition : undefined;
  const [problem, setProblem] = useState(false);
  const choose = (condition: FrictionCondition): void => {
    const body = { kind: 'compound', joint: data.joint, group: group.id, condition } as const;
    saveEntry({
      order: data.order.id,
      ...(kept ? { entry: kept.id, version: kept.version } : {}),
      body,
    }).catch(() => setProblem(true));
  };
  return (
    <View style={{ gap: 8 }}>
      {group.compounds.length > 0 ? (
        <>
          {data.sheet.groups.length > 1 ? <Line strong>{group.name}</Line> : null}
          <CompoundsView group={group} />
        </>
      ) : (
        <Line strong>{text.nothing({ group: group.name })}</Line>
      )}
      {problem ? <Notice title={text.cannotKeep} look="warn" alert /> : null}
      {chosen ? (
        <>
          <OtherCompound
            label={text.otherCompound}
            published={group.frictionCondition}
            chosen={chosen}
            onChoose={choose}
            change={otherCompound(data.sheet, group, chosen)}
          />
          <BenchLink joint={data.joint} page="clamp" beside={chosen} />
          <BigButton
            text={text.asPublished({ condition: FRICTION_TEXT[group.frictionCondition] })}
            look="quiet"
            size="desk"
            onPress={() => choose(group.frictionCondition)}
          />
        </>
      ) : (
        <Fold title={text.otherCompound} label={`${text.otherCompound} ${group.name}`}>
          <OtherCompound
            label={text.otherCompound}
            published={group.frictionCondition}
            chosen={undefined}
            onChoose={choose}
            change={null}
          />
        </Fold>
      )}
    </View>
  );
}
